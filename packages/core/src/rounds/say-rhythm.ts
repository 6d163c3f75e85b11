import { rhythmOf, type DayOfMonth, type Rhythm, type Weekday } from './rhythm.ts';

export const WEEKDAY_NAMES: Readonly<Record<Weekday, string>> = {
  ...{ MO: 'Monday', TU: 'Tuesday', WE: 'Wednesday', TH: 'Thursday', FR: 'Friday' },
  ...{ SA: 'Saturday', SU: 'Sunday' },
};
export const MONTH_NAMES = [
  ...['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September'],
  ...['October', 'November', 'December'],
] as const;
export const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth'] as const;

const all = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

const monthName = (month: number): string => MONTH_NAMES[month - 1] ?? String(month);

function ending(day: number): string {
  if (day % 100 >= 11 && day % 100 <= 13) return 'th';
  return ['th', 'st', 'nd', 'rd'][day % 10] ?? 'th';
}
const dayOrdinal = (day: number): string =>
  day === -1 ? 'last day' : day < 0 ? `${-day}${ending(-day)} last day` : `${day}${ending(day)}`;
const nthOrdinal = (nth: number): string =>
  nth === -1
    ? 'last'
    : nth < 0
      ? `${-nth}${ending(-nth)} last`
      : (ORDINALS[nth - 1] ?? `${nth}${ending(nth)}`);

function sayDayOfMonth(on: DayOfMonth): string {
  if ('days' in on) return `the ${all(on.days.map(dayOrdinal))}`;
  const name = on.weekday === 'working day' ? on.weekday : WEEKDAY_NAMES[on.weekday];
  return `the ${all(on.nth.map(nthOrdinal))} ${name}`;
}

function sayStep(step: number, unit: string): string {
  if (step === 1) return `every ${unit}`;
  return step === 2 ? `every second ${unit}` : `every ${step} ${unit}s`;
}

function sayWeeks(step: number, on: readonly Weekday[]): string {
  if (on.length === 0) return sayStep(step, 'week');
  if (step === 1 && on.join() === 'MO,TU,WE,TH,FR') return 'every working day';
  const days = all(on.map((day) => WEEKDAY_NAMES[day]));
  if (step === 1) return `every ${days}`;
  return on.length === 1 && step === 2
    ? `every second ${days}`
    : `${sayStep(step, 'week')} on ${days}`;
}

function sayYears({ step, on, months }: Extract<Rhythm, { every: 'year' }>): string {
  const year = sayStep(step, 'year');
  if (!on) return months.length > 0 ? `${year} in ${all(months.map(monthName))}` : year;
  if (months.length === 0) return `${year} on ${sayDayOfMonth(on)}`;
  return `${year} on ${sayDayOfMonth(on)} of ${all(months.map(monthName))}`;
}

/** Months as people say them: from one to another, those left out, or each by its name. */
function sayMonths(months: readonly number[]): string {
  if (months.length === 0) return '';
  const without = MONTH_NAMES.map((_, at) => at + 1).filter((month) => !months.includes(month));
  if (without.length > 0 && without.length <= 2) return `, not in ${all(without.map(monthName))}`;
  const first = months.find((month) => !months.includes(month === 1 ? 12 : month - 1));
  const isRun =
    first !== undefined &&
    months.length > 2 &&
    months.every((_, step) => months.includes(((first - 1 + step) % 12) + 1));
  if (isRun)
    return `, from ${monthName(first)} to ${monthName(((first + months.length - 2) % 12) + 1)}`;
  return `, only in ${all(months.map(monthName))}`;
}

const sayDate = (day: string): string => {
  const [year = '', month = '', date = ''] = day.split('-');
  return `${Number(date)} ${monthName(Number(month))} ${year}`;
};

/** A rhythm in words that `readRhythm` understands: “every second Tuesday, not in August”. */
export function sayRhythm(rhythm: Rhythm): string {
  const { every, step, months, until, count } = rhythm;
  const base =
    every === 'day'
      ? sayStep(step, 'day')
      : every === 'week'
        ? sayWeeks(step, rhythm.on)
        : every === 'year'
          ? sayYears(rhythm)
          : `${sayStep(step, 'month')}${rhythm.on ? ` on ${sayDayOfMonth(rhythm.on)}` : ''}`;
  return [
    base,
    every === 'year' ? '' : sayMonths(months),
    until ? `, until ${sayDate(until)}` : '',
    count ? `, ${count === 1 ? 'once' : `${count} times`}` : '',
  ].join('');
}

/** A rule in words; one that no words are there for, as it is written. */
export function sayRule(rule: string): string {
  const rhythm = rhythmOf(rule);
  return rhythm ? sayRhythm(rhythm) : `by the rule ${rule}`;
}
