import { INSTRUMENT_KINDS } from '@ant-trail/core/instruments';
import { unitsLike, writeUnit } from '@ant-trail/core/measure';
import type { PercentageQuestion, ReadingQuestion } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Tick } from '@/design/tick.tsx';
import { Expression } from '../expression.tsx';
import { NumberField } from '@/design/number-field.tsx';
import type { KindFieldsProps } from './props.ts';

export const PercentageFields = ({ question, set }: KindFieldsProps<PercentageQuestion>) => (
  <RangeFields question={question} set={set} />
);

export function QuantityFields(props: KindFieldsProps<ReadingQuestion>) {
  const { body, question, set } = props;
  const others = question.kind === 'calculated' ? [] : unitsLike(question.unit);
  const also = question.kind === 'calculated' ? [] : (question.alsoIn ?? []);
  const limit = (label: string, field: 'lowFrom' | 'highFrom') => (
    <Expression
      label={label}
      body={body}
      question={question}
      value={question[field]}
      onChange={(value) => set({ [field]: value })}
    />
  );
  return (
    <Column gap="$2">
      {question.kind === 'instrument' ? (
        <Pick
          label="Instrument"
          value={question.instrument}
          options={INSTRUMENT_KINDS.map(({ key, name }) => ({ value: key, label: name }))}
          onChange={(instrument) => set({ instrument })}
        />
      ) : null}
      {question.kind === 'calculated' ? (
        <Expression
          label="Formula"
          body={body}
          question={question}
          value={question.formula}
          onChange={(formula) => set({ formula: formula ?? '0' })}
        />
      ) : null}
      <Row gap="$2">
        <Column flex={1}>
          <Input
            label="Unit (UCUM code, 1 for a bare number)"
            value={question.unit}
            onChange={(unit) => set({ unit: unit || '1', alsoIn: undefined })}
          />
        </Column>
        <NumberField
          label="Decimals"
          value={question.decimals}
          onChange={(decimals) => set({ decimals })}
        />
      </Row>
      {others.length > 0 ? (
        <Row columnGap="$3" flexWrap="wrap" role="group" aria-label="Also entered in">
          {others.map((unit) => (
            <Tick
              key={unit}
              label={`also ${writeUnit(unit)}`}
              on={also.includes(unit)}
              onPress={() => {
                const next = also.includes(unit)
                  ? also.filter((each) => each !== unit)
                  : [...also, unit];
                set({ alsoIn: next.length > 0 ? next : undefined });
              }}
            />
          ))}
        </Row>
      ) : null}
      {question.kind === 'calculated' ? null : (
        <Tick
          label="A meter may show it only as off its scale, such as > 999"
          on={question.offScale === true}
          onPress={() => set({ offScale: question.offScale ? undefined : true })}
        />
      )}
      <RangeFields question={question} set={set} />
      {limit('Lower limit from other answers', 'lowFrom')}
      {limit('Upper limit from other answers', 'highFrom')}
      {question.kind === 'calculated' ? (
        <NumberField
          label="Target"
          value={question.target}
          onChange={(target) => set({ target })}
        />
      ) : null}
    </Column>
  );
}

function RangeFields({
  question,
  set,
}: Omit<KindFieldsProps<ReadingQuestion | PercentageQuestion>, 'body'>) {
  const { low, high } = question.expected ?? {};
  const change = (range: { low: number | undefined; high: number | undefined }): void => {
    const given = Object.entries(range).filter(([, end]) => end !== undefined);
    set({ expected: given.length > 0 ? Object.fromEntries(given) : undefined });
  };
  return (
    <Row gap="$2">
      <NumberField
        label="Expected from"
        value={low}
        onChange={(end) => change({ low: end, high })}
      />
      <NumberField label="to" value={high} onChange={(end) => change({ low, high: end })} />
    </Row>
  );
}
