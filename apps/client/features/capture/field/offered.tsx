import {
  allOffered,
  isRow,
  offeredFor,
  rulesOf,
  sayValue,
  type QuestionState,
} from '@ant-trail/core/sheet';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useSheetSession, type PartProps } from '../session/sheet-context.tsx';

/** An answer the template offers: taken with one press, never by itself. */
export function Offered({ state }: { state: PartProps['state'] }) {
  const session = useSheetSession();
  const { question, suggested, path } = state;
  if (suggested === null) return null;
  const said = sayValue(question, suggested, undefined, sayShortDay);
  const unit = rulesOf(question).units?.(question)[0] ?? null;
  return (
    <Row>
      <Button
        dense
        onPress={() => session.write(path, 'answer', suggested, unit ? { unit } : {})}
        label={`Take ${said} for ${question.label}`}
      >
        Take {said}
      </Button>
    </Row>
  );
}

/** The answer of the visit before, beside the question: taken with one press. */
export function LastTime({ state }: { state: QuestionState }) {
  const session = useSheetSession();
  const { earlier } = session.context;
  const offered = earlier ? offeredFor(state, earlier.answers) : [];
  const [first] = offered;
  if (!earlier || !first) return null;
  const { question } = state;
  const rows = offered.filter(({ value }) => isRow(value)).length;
  const said =
    question.kind === 'rows'
      ? `the ${rows} ${rows === 1 ? 'row' : 'rows'} of ${sayShortDay(earlier.day)}`
      : sayValue(question, first.value, first.unit, sayShortDay);
  return (
    <Row>
      <Button
        dense
        onPress={() => session.takeOver(offered)}
        label={`As last time for ${question.label}: ${said}`}
      >
        As last time: {said}
      </Button>
    </Row>
  );
}

/** Everything the visit before has to offer in a section, in one go. */
export function TakeSection({ questions }: { questions: readonly QuestionState[] }) {
  const session = useSheetSession();
  const { earlier } = session.context;
  const offered = earlier ? allOffered(questions, earlier.answers) : [];
  if (!earlier || offered.length < 2) return null;
  return (
    <Row padding="$4" paddingBottom={0}>
      <Button dense onPress={() => session.takeOver(offered)}>
        Take all {offered.length} answers of {sayShortDay(earlier.day)}
      </Button>
    </Row>
  );
}

/** Says that a blank was closed out, and opens that step again for everything it covered. */
export function ClosedOut({ state, locked }: PartProps) {
  const session = useSheetSession();
  const entry = state.closedOut;
  if (!entry) return null;
  const count =
    entry.value && typeof entry.value === 'object' && 'closed' in entry.value
      ? entry.value.closed.length
      : 1;
  return (
    <Row className="to-hand" gap="$3" justifyContent="space-between" flexWrap="wrap">
      <Body small quiet>
        Not applicable, closed out{count > 1 ? ` with ${count - 1} more` : ''}.
      </Body>
      {locked ? null : (
        <Button
          dense
          plain
          onPress={() => session.write(entry.path, 'clear', null)}
          label={`Undo closing out ${state.question.label}`}
        >
          Undo
        </Button>
      )}
    </Row>
  );
}
