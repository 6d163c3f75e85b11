import {
  convert,
  rangeIn,
  sayRange,
  unitFor,
  unusualAtEnd,
  writeEntered,
  writeUnit,
} from '@ant-trail/core/measure';
import {
  inUnit,
  judgeReading,
  numberOf,
  offScaleOf,
  readReading,
  turnedOffScale,
  writeReading,
  type InstrumentQuestion,
  type NumberQuestion,
  type OffScale,
} from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayPast } from '@/design/say-day.ts';
import { Sparkline, type SparkPoint } from '@/design/sparkline.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useSetting } from '@/device/settings.ts';
import { useMe } from '@/features/accounts/session.ts';
import { useAnswer, useEnter, useSheetSession, type PartProps } from '../session/sheet-context.tsx';
import { useDraft } from './use-draft.ts';

const SHOWN = 6;

/** A reading: what was typed is judged at every key, beside the range and the last values. */
export function NumberPart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const system = useSetting('units');
  const { question, expected } = state;
  const quantity = question.kind === 'number' || question.kind === 'instrument' ? question : null;
  const units = quantity ? [quantity.unit, ...(quantity.alsoIn ?? [])] : ['1'];
  const own = units[0] ?? '1';
  const [picked, setPicked] = useState<string | null>(null);
  // What somebody else answers meanwhile, in whatever unit, must not change what is being typed.
  const [typedIn, setTypedIn] = useState<string | null>(null);
  const unit = typedIn ?? state.answer?.unit ?? picked ?? unitFor(units, system) ?? own;
  const entered = state.answer ? numberOf(state.answer.value) : null;
  const writing = { units: [writeUnit(unit), unit] };
  const enteredOff = state.answer ? offScaleOf(state.answer.value) : null;
  const readTyped = (text: string) =>
    text.trim() && quantity ? readReading(quantity, text, writing) : null;
  const kept = entered === null || !quantity ? '' : sayKept(quantity, entered, unit, enteredOff);
  const draft = useDraft(
    kept,
    (text) => {
      const read = readTyped(text);
      if (!read) return give(null);
      const isNew =
        'value' in read &&
        (numberOf(read.value) !== entered ||
          offScaleOf(read.value) !== enteredOff ||
          (state.answer?.unit ?? unit) !== unit);
      return isNew ? give(read.value, unit) : Promise.resolve(null);
    },
    { path: state.path, onBegin: () => setTypedIn(unit), onEnd: () => setTypedIn(null) },
  );
  const enter = useEnter(locked ? undefined : state.path);
  if (!quantity) return null;
  const read = readTyped(draft.text);
  const number = read && 'value' in read ? numberOf(read.value) : null;
  const off = read && 'value' in read ? offScaleOf(read.value) : null;
  const value = number === null ? null : inUnit(number, unit, own);
  const problem = read && 'problem' in read ? read.problem : (draft.refused ?? undefined);
  const either = read && 'problem' in read ? read.either : undefined;
  const alert = value === null ? null : judgeReading(quantity, value, expected, off);
  const written = writeUnit(unit);
  // A value keeps the unit it was entered in: pressing a box must never change a reading.
  const choosing = units.length > 1 && !locked && draft.text === '';
  const following = units[(units.indexOf(unit) + 1) % units.length] ?? own;
  return (
    <Column gap="$2">
      <Row gap="$2" alignItems="stretch">
        <Column flex={1}>
          <Input
            label={`${question.label}${written ? `, in ${written}` : ''}`}
            hideLabel
            mono
            kind="decimal"
            value={draft.text}
            onChange={locked ? () => undefined : draft.change}
            onLeave={draft.settle}
            enter={enter ? 'next' : 'done'}
            onEnter={() => {
              draft.settle();
              enter?.();
            }}
            eyes={alert !== null}
            problem={problem}
          />
        </Column>
        {quantity.offScale && !locked ? (
          <Button
            main={off !== null}
            onPress={() => draft.change(turnedOffScale(draft.text))}
            label={off === null ? 'More than the meter shows' : 'As the meter shows it'}
          >
            {'>'}
          </Button>
        ) : null}
        {written ? (
          <UnitBox
            written={written}
            {...(choosing
              ? {
                  onPress: () => setPicked(following),
                  label: `Enter in ${writeUnit(following)} instead`,
                }
              : {})}
          />
        ) : null}
      </Row>
      {either ? (
        <Row gap="$2">
          {either.map((each) => (
            <Button key={each} onPress={() => draft.change(String(each))}>
              {String(each)}
            </Button>
          ))}
        </Row>
      ) : null}
      {value !== null && unit !== own ? (
        <Body small quiet>
          That is {sayKept(quantity, Number(value.toPrecision(5)), own, off)} {writeUnit(own)}.
        </Body>
      ) : null}
      <Past state={state} question={quantity} value={value} shownIn={unit} />
      {alert ? (
        <Row gap="$2" alignItems="flex-start" role="alert">
          <Column paddingTop={2}>
            <Mark name="needs eyes" silent />
          </Column>
          <Body eyes strong flex={1}>
            {alert.words}.{askedFor(state)}
          </Body>
        </Row>
      ) : null}
    </Column>
  );
}

const sayKept = (
  question: NumberQuestion | InstrumentQuestion,
  value: number,
  unit: string,
  off: OffScale | null,
) => writeReading(value, off, unit === question.unit ? question.decimals : undefined);

interface UnitBoxProps {
  readonly written: string;
  readonly onPress?: () => void;
  readonly label?: string;
}

/** The unit beside the field; where there are others to enter it in, pressing takes the next. */
function UnitBox({ written, onPress, label }: UnitBoxProps) {
  return (
    <Column
      {...(onPress ? { render: 'button' as const, onPress, 'aria-label': label } : {})}
      minWidth={72}
      height={57}
      paddingHorizontal="$2"
      alignItems="center"
      justifyContent="center"
      borderWidth={onPress ? 2 : 1}
      borderColor={onPress ? '$sand' : '$rule'}
      borderTopLeftRadius="$sharp"
      borderTopRightRadius="$leaf"
      borderBottomRightRadius="$leaf"
      borderBottomLeftRadius="$leaf"
    >
      <Body strong>{written}</Body>
    </Column>
  );
}

function askedFor({ asksReason, asksPhoto }: PartProps['state']): string {
  if (asksReason && asksPhoto) return ' A photo and a word, please.';
  if (asksPhoto) return ' A photo, please.';
  return asksReason ? ' A word, please.' : '';
}

interface PastProps {
  readonly state: PartProps['state'];
  readonly question: NumberQuestion | InstrumentQuestion;
  /** In the question's unit, like the earlier values. */
  readonly value: number | null;
  readonly shownIn: string;
}

/** The last values with the new one, the expected range, and what is out of pattern. */
function Past({ state, question, value, shownIn }: PastProps) {
  const { series } = useSheetSession().context;
  const { organisation } = useMe();
  const all = series.get(state.path) ?? [];
  const earlier = all.slice(-SHOWN);
  const range = state.expected;
  const judge = (reading: number): boolean => judgeReading(question, reading, range) !== null;
  const points: SparkPoint[] = earlier.map((point) => ({
    label: sayPast(point.at, organisation.timeZone),
    value: point.value,
    out: judge(point.value),
  }));
  const last = earlier.at(-1);
  const step = question.decimals === undefined ? undefined : 10 ** -question.decimals;
  if (value !== null) points.push({ label: 'now', value, out: judge(value) });
  const unusual =
    value === null ? null : unusualAtEnd([...all.map((point) => point.value), value], step);
  const shown = (number: number): string =>
    shownIn === question.unit
      ? writeEntered(number, question.decimals)
      : String(Number(convert(number, question.unit, shownIn).toPrecision(4)));
  const unit = writeUnit(shownIn);
  return (
    <Column gap="$1">
      {points.length > 1 ? (
        <Sparkline
          points={points}
          range={range ?? undefined}
          name={`${question.label}: ${points.map((p) => `${p.label} ${p.value}`).join(', ')}`}
        />
      ) : null}
      <Row gap="$2" flexWrap="wrap">
        {last ? (
          <Body small quiet>
            Last time{' '}
            <Figure small quiet>
              {shown(last.value)} {unit}
            </Figure>
            {range ? '.' : ''}
          </Body>
        ) : null}
        {range ? (
          <Body small quiet>
            Expected {sayRange(rangeIn(range, question.unit, shownIn), unit)}.
          </Body>
        ) : null}
        {unusual ? (
          <Body small eyes strong>
            Unusual: {unusual.words}.
          </Body>
        ) : null}
      </Row>
    </Column>
  );
}
