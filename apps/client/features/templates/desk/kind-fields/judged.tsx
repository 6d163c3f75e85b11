import type { ChoiceQuestion, ChoicesQuestion, Question } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Tick } from '@/design/tick.tsx';
import { NumberField } from '@/design/number-field.tsx';
import { OptionsEditor } from '../options-editor.tsx';
import type { Patch } from '../patch.ts';
import type { KindFieldsProps } from './props.ts';

export const ChoiceFields = ({
  body,
  question,
  set,
}: KindFieldsProps<ChoiceQuestion | ChoicesQuestion>) => (
  <OptionsEditor question={question} set={set} scored={body.score !== undefined} />
);

/** Points of an answer that is good or not, where the sheet is scored at all. */
export const ScoredFields = ({ body, question, set }: KindFieldsProps) =>
  body.score ? <PointsFields question={question} set={set} /> : null;

function PointsFields({ question, set }: { question: Question; set: (patch: Patch) => void }) {
  const points = question.points;
  const change = (patch: Patch): void => set({ points: { good: 0, ...points, ...patch } });
  return (
    <Column gap="$1">
      <Row gap="$2">
        <NumberField
          label="Points when good"
          value={points?.good}
          onChange={(good) => (good === undefined ? set({ points: undefined }) : change({ good }))}
        />
        {points ? (
          <NumberField
            label="when not"
            value={points.bad ?? 0}
            onChange={(bad) => change({ bad: bad ?? 0 })}
          />
        ) : null}
      </Row>
      {points ? (
        <Tick
          label="Not good stops everything: it caps the result"
          on={points.stopsEverything === true}
          onPress={() => change({ stopsEverything: !points.stopsEverything })}
        />
      ) : null}
    </Column>
  );
}
