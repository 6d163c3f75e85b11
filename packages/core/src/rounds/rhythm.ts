/** Days of the week by ISO 8601, Monday first, as RFC 5545 writes them. */
export const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

/** Which day of a month: by its number (−1 is the last one), or the nth of a kind (−1 is the last). */
export type DayOfMonth =
  | { readonly days: readonly number[] }
  | { readonly nth: readonly number[]; readonly weekday: Weekday | 'working day' };

/** What a round repeats by: the part of RFC 5545 that can be said in a few words. */
export type Rhythm = (
  | { readonly every: 'day'; readonly step: number }
  /** Without days of the week: on that of the day it begins. */
  | { readonly every: 'week'; readonly step: number; readonly on: readonly Weekday[] }
  | { readonly every: 'month'; readonly step: number; readonly on: DayOfMonth | null }
  /** In some months of the year; without any, in that in which it begins. */
  | { readonly every: 'year'; readonly step: number; readonly on: DayOfMonth | null }
) & {
  /** Months it happens in, 1 to 12; none for all (for years: that of its beginning). */
  readonly months: readonly number[];
  /** The last day it may fall on. */
  readonly until: string | null;
  /** How often in all. */
  readonly count: number | null;
};

const FREQ = { day: 'DAILY', week: 'WEEKLY', month: 'MONTHLY', year: 'YEARLY' } as const;
const WORKING: readonly Weekday[] = WEEKDAYS.slice(0, 5);

function partsOfMonth(on: DayOfMonth | null): string[] {
  if (on === null) return [];
  if ('days' in on) return [`BYMONTHDAY=${on.days.join(',')}`];
  if (on.weekday === 'working day')
    return [`BYDAY=${WORKING.join(',')}`, `BYSETPOS=${on.nth.join(',')}`];
  return [`BYDAY=${on.nth.map((nth) => `${nth}${on.weekday}`).join(',')}`];
}

/** A rhythm as a recurrence rule (RFC 5545, 3.3.10), "FREQ=WEEKLY;INTERVAL=2;BYDAY=TU". */
export function ruleOf(rhythm: Rhythm): string {
  const { every, step, months, until, count } = rhythm;
  const on =
    every === 'day'
      ? []
      : every === 'week'
        ? rhythm.on.length > 0
          ? [`BYDAY=${rhythm.on.join(',')}`]
          : []
        : partsOfMonth(rhythm.on);
  return [
    `FREQ=${FREQ[every]}`,
    ...(step > 1 ? [`INTERVAL=${step}`] : []),
    ...(months.length > 0 ? [`BYMONTH=${months.join(',')}`] : []),
    ...on,
    ...(until ? [`UNTIL=${until.replaceAll('-', '')}`] : []),
    ...(count ? [`COUNT=${count}`] : []),
  ].join(';');
}

const EVERY = new Map(Object.entries(FREQ).map(([every, freq]) => [freq as string, every]));

/** The rhythm a recurrence rule says; null for one that has more in it than a rhythm has. */
export function rhythmOf(rule: string): Rhythm | null {
  const parts = new Map(
    rule
      .trim()
      .split(';')
      .map((part) => {
        const [key = '', value = ''] = part.split('=');
        return [key, value] as const;
      }),
  );
  const list = (key: string): string[] => (parts.get(key) ?? '').split(',').filter(Boolean);
  const every = EVERY.get(parts.get('FREQ') ?? '');
  const until = /^(\d{4})(\d\d)(\d\d)$/.exec(parts.get('UNTIL') ?? '');
  const said = {
    step: Number(parts.get('INTERVAL') ?? 1),
    months: list('BYMONTH').map(Number),
    until: until ? until.slice(1).join('-') : null,
    count: parts.has('COUNT') ? Number(parts.get('COUNT')) : null,
  };
  let rhythm: Rhythm | null = null;
  if (every === 'day') rhythm = { every, ...said };
  else if (every === 'week') rhythm = { every, ...said, on: list('BYDAY').filter(isWeekday) };
  else if (every === 'month' || every === 'year') rhythm = { every, ...said, on: dayOfMonth(list) };
  // Whatever was not understood is missing now: nothing is ever left out of a rule in silence.
  return rhythm && sameRule(ruleOf(rhythm), rule) ? rhythm : null;
}

const isWeekday = (text: string): text is Weekday => (WEEKDAYS as readonly string[]).includes(text);

function dayOfMonth(list: (key: string) => string[]): DayOfMonth | null {
  const days = list('BYMONTHDAY').map(Number);
  if (days.length > 0) return { days };
  const by = list('BYDAY');
  const places = list('BYSETPOS').map(Number);
  if (places.length > 0) return { nth: places, weekday: 'working day' };
  const [first] = by;
  const weekday = first?.slice(-2);
  if (!weekday || !isWeekday(weekday)) return null;
  return { nth: by.map((each) => Number(each.slice(0, -2))), weekday };
}

const sameRule = (one: string, other: string): boolean => {
  const parts = (rule: string): string => rule.trim().split(';').sort().join(';');
  return parts(one) === parts(other);
};
