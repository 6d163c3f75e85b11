import type { AnswerValue, OffScaleValue } from '../../log/index.ts';
import {
  canConvert,
  convert,
  judgeRange,
  readNumber,
  tidy,
  writeEntered,
  writeNumber,
  writeUnit,
  type ExpectedRange,
} from '../../measure/index.ts';
import type {
  CalculatedQuestion,
  InstrumentQuestion,
  NumberQuestion,
  ReadingQuestion,
  PercentageQuestion,
  SharesQuestion,
} from '../template.ts';
import { besideScale, isOffScale, offScaleOf, readReading, sayOffScale } from './off-scale.ts';
import { numberOf, textOf, type KindRules } from './rules.ts';

const isNumber = (value: unknown): value is number =>
  typeof value === 'number' && Number.isFinite(value);

/** A quantity in its question's unit, whatever unit it was entered in. */
export const inUnit = (value: number, entered: string | undefined, wanted: string): number =>
  entered !== undefined && entered !== wanted && canConvert(entered, wanted)
    ? tidy(convert(value, entered, wanted))
    : value;

/** More decimals than a double holds help nobody. */
const MOST_DECIMALS = 15;

/** Rounded as its question wants, but never so that it seems to lie on the other side of a limit. */
function writeCalculated(
  { expected: fixed, decimals }: CalculatedQuestion,
  value: number,
  expected: ExpectedRange | null | undefined,
): string {
  if (decimals === undefined) return writeNumber(value);
  const range = expected ?? fixed ?? {};
  const verdict = judgeRange(value, range);
  for (let places = decimals; places <= MOST_DECIMALS; places++) {
    const rounded = writeNumber(value, places);
    if (judgeRange(Number(rounded), range) === verdict) return rounded;
  }
  return String(value);
}

function sayQuantity(
  question: ReadingQuestion,
  value: AnswerValue,
  unit = question.unit,
  expected?: ExpectedRange | null,
): string {
  const number = numberOf(value);
  if (number === null) return textOf(value);
  const written = writeUnit(unit);
  const decimals = unit === question.unit ? question.decimals : undefined;
  const said =
    question.kind === 'calculated'
      ? writeCalculated(question, number, expected)
      : writeEntered(number, decimals);
  return sayOffScale(offScaleOf(value), `${said}${written ? ` ${written}` : ''}`);
}

const exposeQuantity = (question: { unit: string }, value: AnswerValue, unit?: string): unknown => {
  const number = numberOf(value);
  return number === null
    ? value
    : besideScale(inUnit(number, unit, question.unit), offScaleOf(value));
};

/** Typed in its question's own unit, which may stand behind it. */
const readQuantity = (question: NumberQuestion | InstrumentQuestion, text: string) =>
  readReading(question, text, { units: unitWords(question) });

const unitWords = ({ unit }: { readonly unit: string }): string[] =>
  [writeUnit(unit)].filter((word) => word !== '');

const isTakenOffScale = ({ offScale }: { readonly offScale?: true }, value: unknown): boolean =>
  offScale === true &&
  typeof value === 'object' &&
  value !== null &&
  isOffScale(value as AnswerValue) &&
  isNumber((value as OffScaleValue).limit);

const quantity = {
  sought: 'number',
  celType: 'double',
  keeps: 'value',
  mayCloseOut: true,
  carries: false,
  judged: true,
  takesPhotos: true,
  readTyped: readQuantity,
  units: ({ unit, alsoIn = [] }: NumberQuestion | InstrumentQuestion) => [unit, ...alsoIn],
  largest: () => 1,
  say: sayQuantity,
  expose: exposeQuantity,
} as const;

export const number: KindRules<NumberQuestion> = {
  ...quantity,
  begins: { unit: '1' },
  problem: (question, value) =>
    isNumber(value) || isTakenOffScale(question, value) ? null : 'Write a number.',
};

export const instrument: KindRules<InstrumentQuestion> = {
  ...quantity,
  begins: { unit: '1', instrument: 'thermometer' },
  ofOneVisit: true,
  problem: (question, value) => {
    if (isTakenOffScale(question, value)) return null;
    const reading =
      typeof value === 'object' && value !== null && 'reading' in value ? value.reading : value;
    return isNumber(reading) ? null : 'Take a value from the instrument, or write it.';
  },
};

export const calculated: KindRules<CalculatedQuestion> = {
  sought: 'number',
  celType: 'dyn',
  keeps: 'nothing',
  mayCloseOut: false,
  judged: true,
  begins: { required: false, unit: '1', formula: '0' },
  carries: false,
  problem: () => 'This value is calculated: nobody has to write it.',
  say: (question, value, unit, expected) =>
    typeof value === 'boolean'
      ? value
        ? 'Yes'
        : 'No'
      : sayQuantity(question, value, unit, expected),
};

export const percentage: KindRules<PercentageQuestion> = {
  sought: 'number',
  judged: true,
  readTyped: (_, text) => readNumber(text, { units: ['%'] }),
  largest: () => 1,
  celType: 'double',
  keeps: 'value',
  mayCloseOut: true,
  carries: false,
  problem: (_, value) =>
    isNumber(value) && value >= 0 && value <= 100 ? null : 'A percentage lies between 0 and 100.',
  say: (_, value) => `${numberOf(value) ?? 0} %`,
};

/** How far percentages may be from 100 together: a rounding of each to one decimal. */
const ROUNDING = 0.1;

export const sharesOf = (value: AnswerValue): Readonly<Record<string, number>> =>
  typeof value === 'object' && 'shares' in value ? value.shares : {};

export const shares: KindRules<SharesQuestion> = {
  begins: {
    parts: [
      { key: 'first', label: 'First' },
      { key: 'second', label: 'Second' },
    ],
  },
  lacks: ({ parts }) => (parts.length < 2 ? 'needs at least two shares' : null),
  celType: 'map<string, double>',
  keeps: 'value',
  mayCloseOut: true,
  carries: true,
  problem: ({ parts }, value) => {
    if (typeof value !== 'object' || value === null || !('shares' in value))
      return 'Give each share as a percentage.';
    const given = Object.entries(value.shares as Record<string, unknown>);
    if (!given.every(([key]) => parts.some((part) => part.key === key)))
      return 'One of the shares belongs to nothing in the list.';
    if (!given.every(([, share]) => isNumber(share) && share >= 0 && share <= 100))
      return 'Each share lies between 0 and 100.';
    const sum = given.reduce((total, [, share]) => total + Number(share), 0);
    if (Math.abs(sum - 100) <= ROUNDING) return null;
    const off = tidy(Math.abs(100 - sum));
    return `Together they are ${tidy(sum)} %: ${off} too ${sum < 100 ? 'little' : 'much'}.`;
  },
  say: ({ parts }, value) =>
    parts
      .flatMap(({ key, label }) => {
        const shares = sharesOf(value);
        const share = Object.hasOwn(shares, key) ? shares[key] : undefined;
        return share ? [`${label} ${share} %`] : [];
      })
      .join(', '),
  expose: (_, value) => sharesOf(value),
};
