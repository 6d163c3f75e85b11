import type { AnswerValue } from '@ant-trail/core/log';
import { rulesOf, sayState, type QuestionState } from '@ant-trail/core/sheet';
import { sampleAnswer } from '@ant-trail/core/templates';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { deskControl } from '@/features/kinds/desk/controls.ts';

export type Give = (path: string, value: AnswerValue | null, unit?: string) => void;

export interface TryControlProps {
  readonly state: QuestionState;
  readonly give: Give;
}

/** A small control to give a question an answer by, as the phone would with its larger one. */
export function TryControl({ state, give }: TryControlProps) {
  const { question, answer, path } = state;
  if (rulesOf(question).keeps === 'nothing')
    return (
      <Figure small strong>
        {sayState(state, sayShortDay)}
      </Figure>
    );
  const Control = deskControl(question);
  if (!Control) return <Pretend state={state} give={give} />;
  return (
    <Control
      question={question}
      label={`Try ${question.label}`}
      hideLabel
      value={answer?.value ?? null}
      unit={answer?.unit}
      // What can't be an answer is none, as on the phone.
      onGive={(given) =>
        'problem' in given ? give(path, null) : give(path, given.value, given.unit)
      }
    />
  );
}

/** Evidence nobody has at a desk: it counts as given once this is pressed. */
function Pretend({ state, give }: TryControlProps) {
  const { question } = state;
  const sample = sampleAnswer(state);
  const rows = question.kind === 'rows';
  const given = !rows && state.tally.answered > 0;
  const words = given ? 'Take it away' : 'Pretend it is there';
  return (
    <Row gap="$2" justifyContent="space-between" flexWrap="wrap">
      <Body small quiet>
        {sayState(state, sayShortDay)}
      </Body>
      {sample ? (
        <Button
          dense
          label={rows ? `Add ${question.each}` : `${words}: ${question.label}`}
          onPress={() => give(sample.path, given ? null : sample.value)}
        >
          {rows ? `Add ${question.each}` : words}
        </Button>
      ) : null}
    </Row>
  );
}
