import type { SheetAnswers } from '../kit.ts';
import { AGREED, FOUND } from './keys/index.ts';
import { numberAt } from './read.ts';

/** Something that was agreed to get better: as it was, as it was agreed, and as it was found. */
export interface Promised {
  readonly label: string;
  readonly unit: string;
  readonly decimals: number;
  readonly before: number | null;
  readonly agreed: number;
  readonly found: number;
  /** Whether what was found is within a tenth of what was agreed. Common practice, no source. */
  readonly isKept: boolean;
}

const WITHIN = 1.1;

/** What a check visit can say of what was agreed; nothing of what was not measured. */
export function promisesOf(answers: SheetAnswers): readonly Promised[] {
  const one = (
    label: string,
    unit: string,
    decimals: number,
    [was, shall, is]: readonly [string, string, string],
  ): Promised[] => {
    const agreed = numberAt(answers, shall);
    const found = numberAt(answers, is);
    if (agreed === null || found === null) return [];
    const before = numberAt(answers, was);
    return [{ label, unit, decimals, before, agreed, found, isKept: found <= agreed * WITHIN }];
  };
  return [
    ...one('Air changes at 50 Pa', 'each hour', 1, [
      AGREED.changesBefore,
      AGREED.changesThen,
      FOUND.changes,
    ]),
    ...one('What the house uses', 'kWh a year', 0, [AGREED.useBefore, AGREED.useThen, FOUND.use]),
  ];
}

/** One line of the picture of a promise: what it is, in words, and how long it is beside the longest, 0 to 1. */
export interface PromiseLine {
  readonly of: 'Before' | 'Agreed' | 'Found';
  readonly said: string;
  readonly share: number;
}

export function promiseLines({
  before,
  agreed,
  found,
  decimals,
}: Promised): readonly PromiseLine[] {
  const most = Math.max(before ?? 0, agreed, found);
  const say = new Intl.NumberFormat('en', {
    ...{ minimumFractionDigits: decimals, maximumFractionDigits: decimals },
  });
  const line = (of: PromiseLine['of'], value: number): PromiseLine => ({
    ...{ of, said: say.format(value), share: most > 0 ? value / most : 0 },
  });
  return [
    ...(before === null ? [] : [line('Before', before)]),
    ...[line('Agreed', agreed), line('Found', found)],
  ];
}

export const sayKept = ({ isKept }: Promised): string =>
  isKept
    ? 'It is as agreed, within a tenth.'
    : 'More than a tenth above what was agreed: find out why.';
