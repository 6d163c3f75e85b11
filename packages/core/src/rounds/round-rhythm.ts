/** What becomes of a round on a holiday. */
export const ON_HOLIDAYS = [
  'as ever',
  'left out',
  'the working day after',
  'the working day before',
] as const;
export type OnHolidays = (typeof ON_HOLIDAYS)[number];

/** When a round is due. */
export interface RoundRhythm {
  /** RFC 5545, days only. */
  readonly rule: string;
  /** Its first day at the earliest. */
  readonly begins: string;
  /** Days the rule names that are left out. */
  readonly without: readonly string[];
  /** Days besides those of the rule. */
  readonly besides: readonly string[];
  readonly onHolidays: OnHolidays;
}

/** A day a round is walked on. */
export interface RoundDay {
  /** The day the rule names: it stays the same wherever a holiday moves the round to. */
  readonly due: string;
  readonly day: string;
}
