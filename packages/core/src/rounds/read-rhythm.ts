import { WEEKDAYS, type DayOfMonth, type Rhythm, type Weekday } from './rhythm.ts';
import { MONTH_NAMES, ORDINALS, WEEKDAY_NAMES } from './say-rhythm.ts';

export type RhythmRead =
  | { readonly rhythm: Rhythm }
  /** What was not understood, in words for whoever wrote it. */
  | { readonly problem: string };

type Base = Omit<Extract<Rhythm, { every: 'year' }>, 'every' | 'on'>;
const NONE: Base = { step: 1, months: [], until: null, count: null };

const UNITS: Readonly<Record<string, Rhythm['every']>> = {
  ...{ day: 'day', days: 'day', week: 'week', weeks: 'week', month: 'month', months: 'month' },
  ...{ year: 'year', years: 'year' },
};
const NUMBERS = [
  ...['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'],
  ...['eleven', 'twelve'],
];
const MOST_STEPS = 99;

const weekdays = new Map<string, Weekday>(
  WEEKDAYS.flatMap((day) => {
    const name = WEEKDAY_NAMES[day].toLowerCase();
    return [name, `${name}s`, name.slice(0, 3), day.toLowerCase()].map(
      (word) => [word, day] as const,
    );
  }),
);
weekdays.set('tues', 'TU').set('weds', 'WE').set('thur', 'TH').set('thurs', 'TH');

const months = new Map<string, number>(
  MONTH_NAMES.flatMap((name, at) =>
    [name, name.slice(0, 3)].map((word) => [word.toLowerCase(), at + 1] as const),
  ),
);
months.set('sept', 9);

/** “3”, “three”, “third”, “3rd”; “other” is the second. */
function numberIn(word: string): number | null {
  const digits = /^(\d{1,4})(st|nd|rd|th)?$/.exec(word);
  if (digits) return Number(digits[1]);
  if (word === 'other') return 2;
  const spelled = NUMBERS.indexOf(word);
  if (spelled >= 0) return spelled + 1;
  const ordinal = (ORDINALS as readonly string[]).indexOf(word);
  if (ordinal >= 0) return ordinal + 1;
  return word === 'sixth' ? 6 : null;
}

/** Goes through words one after the other. */
class Words {
  private at = 0;

  constructor(private readonly words: readonly string[]) {}

  get next(): string | undefined {
    return this.words[this.at];
  }

  take(...wanted: readonly string[]): boolean {
    if (this.next === undefined || !wanted.includes(this.next)) return false;
    this.at++;
    return true;
  }

  takeIf<T>(read: (word: string) => T | null | undefined): T | null {
    const found = this.next === undefined ? null : (read(this.next) ?? null);
    if (found !== null) this.at++;
    return found;
  }

  /** Some of a kind with “and” or commas between them. */
  list<T>(read: (word: string) => T | null | undefined): T[] {
    return this.many(() => this.takeIf(read));
  }

  many<T>(one: () => T | null): T[] {
    const found: T[] = [];
    for (;;) {
      const before = this.at;
      if (found.length > 0) while (this.take('and', ',', 'the')) continue;
      const next = one();
      if (next === null) {
        this.at = before;
        return found;
      }
      found.push(next);
    }
  }

  /** Tries to read; where that fails, stands where it stood. */
  attempt<T>(read: () => T | null): T | null {
    const before = this.at;
    const found = read();
    if (found === null) this.at = before;
    return found;
  }
}

/** Days of a month: “the 1st and 15th”, “the last day”, “the first and third Monday”, “the last working day”. */
function readDayOfMonth(words: Words): DayOfMonth | null {
  return words.attempt(() => {
    words.take('the');
    const nth = words.many(() => {
      if (words.take('last')) return -1;
      const number = words.takeIf(numberIn);
      // “, 3 times” says how often, and no day.
      if (words.next === 'times') return null;
      // “2nd last”: it is counted from the end.
      return number !== null && number > 1 && words.take('last') ? -number : number;
    });
    if (nth.length === 0) return null;
    if (words.take('working')) {
      return words.take('day', 'days') ? { nth, weekday: 'working day' as const } : null;
    }
    if (words.take('weekday')) return { nth, weekday: 'working day' as const };
    if (words.take('day', 'days')) return { days: nth };
    const weekday = words.takeIf((word) => weekdays.get(word));
    if (weekday) return nth.every((each) => each >= -5 && each <= 5) ? { nth, weekday } : null;
    return nth.includes(-1) ? null : { days: nth };
  });
}

const monthsFrom = (first: number, last: number): number[] => {
  const found = [first];
  for (let month = first; month !== last;) {
    month = (month % 12) + 1;
    found.push(month);
  }
  return found.sort((a, b) => a - b);
};

const monthIn = (word: string): number | undefined => months.get(word);

/** “1 May 2031”, “May 1, 2031” or “2031-05-01”. */
function readDate(words: Words): string | null {
  const iso = words.takeIf((word) => (/^\d{4}-\d\d-\d\d$/.test(word) ? word : null));
  if (iso) return isDay(iso) ? iso : null;
  let day = words.takeIf(numberIn);
  const month = words.takeIf(monthIn);
  if (month === null) return null;
  day ??= words.takeIf(numberIn);
  words.take(',');
  const year = words.takeIf((word) => (/^\d{4}$/.test(word) ? Number(word) : null));
  if (day === null || year === null) return null;
  const text = `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  return isDay(text) ? text : null;
}

const isDay = (text: string): boolean => {
  const date = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(text);
};

/** What stands behind the rhythm itself: months, an end, how often. */
function readRest(words: Words, base: Base): Base | string {
  let rest = base;
  while (words.next !== undefined) {
    if (words.take(',', 'and', 'but')) continue;
    if (words.take('not', 'except', 'without')) {
      words.take('in');
      const left = words.list(monthIn);
      if (left.length === 0) return 'Say which months are left out: “not in August”.';
      rest = { ...rest, months: monthsFrom(1, 12).filter((month) => !left.includes(month)) };
      if (rest.months.length === 0) return 'No month is left.';
    } else if (words.take('from', 'between')) {
      const first = words.takeIf(monthIn);
      if (!words.take('to', 'until', 'till', 'through', 'and'))
        return 'Say the last month, too: “from April to September”.';
      const last = words.takeIf(monthIn);
      if (first === null || last === null) return 'Say both months: “from April to September”.';
      rest = { ...rest, months: monthsFrom(first, last) };
    } else if (words.take('only', 'in')) {
      words.take('in');
      if (words.take('from')) {
        const first = words.takeIf(monthIn);
        const last = words.take('to', 'until') ? words.takeIf(monthIn) : null;
        if (first === null || last === null) return 'Say both months: “from April to September”.';
        rest = { ...rest, months: monthsFrom(first, last) };
        continue;
      }
      const only = words.list(monthIn);
      if (only.length === 0) return 'Say in which months: “only in April and June”.';
      rest = { ...rest, months: [...new Set(only)].sort((a, b) => a - b) };
    } else if (words.take('until', 'till')) {
      const until = readDate(words);
      if (until === null) return 'Say the last day with its year: “until 31 May 2031”.';
      rest = { ...rest, until };
    } else if (words.take('once')) rest = { ...rest, count: 1 };
    else {
      const count = words.attempt(() => {
        const times = words.takeIf(numberIn);
        return words.take('times') ? times : null;
      });
      if (count === null || count < 1) return `“${words.next}” is not understood here.`;
      rest = { ...rest, count };
    }
  }
  return rest.until && rest.count ? 'Say either until when or how often, not both.' : rest;
}

const EXAMPLES = '“every second Tuesday, not in August” or “every month on the first Monday”';

/**
 * Reads what somebody wrote of a rhythm, in English: “every working day”, “every 6 weeks on Monday”,
 * “the last Friday of every month”, “every year on 1 May, until 31 May 2031”. What is not understood
 * is said.
 */
export function readRhythm(text: string): RhythmRead {
  const words = new Words(
    text
      .toLowerCase()
      .replace(/[.“”"]/g, ' ')
      .replaceAll(',', ' , ')
      .split(/\s+/)
      .filter(Boolean),
  );
  if (words.next === undefined) return { problem: `Say how often: ${EXAMPLES}.` };
  const read = readBase(words);
  if (typeof read === 'string') return { problem: read };
  const rest = readRest(words, { ...NONE, months: read.months, step: read.step });
  if (typeof rest === 'string') return { problem: rest };
  return { rhythm: { ...read, ...rest } };
}

function readBase(words: Words): Rhythm | string {
  const short = { daily: 'day', weekly: 'week', monthly: 'month', yearly: 'year' } as const;
  for (const [word, every] of Object.entries(short))
    if (words.take(word, ...(word === 'yearly' ? ['annually'] : [])))
      return readOn(words, every, 1);
  const ahead = words.attempt(() => {
    words.take('on');
    const on = readDayOfMonth(words);
    return on && words.take('of') && words.next === 'every' ? on : null;
  });
  if (!words.take('every', 'each')) return `Begin with “every”: ${EXAMPLES}.`;
  const step = stepIn(words);
  if (typeof step === 'string') return step;
  if (words.take('quarter')) return readOn(words, 'month', step * 3, ahead);
  if (words.take('half')) {
    words.take('a');
    return words.take('year') ? readOn(words, 'month', step * 6, ahead) : 'Half of what?';
  }
  if (words.take('weekday', 'weekdays'))
    return step === 1 ? { ...NONE, every: 'week', on: WEEKDAYS.slice(0, 5) } : notWorkingDays();
  if (words.take('working')) {
    if (!words.take('day', 'days')) return 'Every working day?';
    return step === 1 ? { ...NONE, every: 'week', on: WEEKDAYS.slice(0, 5) } : notWorkingDays();
  }
  const on = words.list((word) => weekdays.get(word));
  if (on.length > 0) return { ...NONE, every: 'week', step, on: inOrder(on) };
  const unit = words.takeIf((word) => (Object.hasOwn(UNITS, word) ? UNITS[word] : null));
  if (unit) return readOn(words, unit, step, ahead);
  return words.next === undefined
    ? `Every what? ${EXAMPLES}.`
    : `“${words.next}” is not understood here: ${EXAMPLES}.`;
}

const notWorkingDays = (): string =>
  'Working days can only be counted within a month: “every month on the third working day”.';

/** “2”, “second”, “two”; one where no number is said. */
function stepIn(words: Words): number | string {
  const step = words.takeIf(numberIn);
  if (step === null) return 1;
  return step >= 1 && step <= MOST_STEPS ? step : `Every ${step} is out of reach.`;
}

const inOrder = (days: readonly Weekday[]): Weekday[] =>
  WEEKDAYS.filter((day) => days.includes(day));

/** On which days of a week, a month or a year. */
function readOn(
  words: Words,
  every: Rhythm['every'],
  step: number,
  ahead: DayOfMonth | null = null,
): Rhythm | string {
  if (every === 'day') return { ...NONE, every, step };
  if (every === 'week') {
    const on = words.take('on') ? words.list((word) => weekdays.get(word)) : [];
    return { ...NONE, every, step, on: inOrder(on) };
  }
  if (every === 'month') {
    if (!words.take('on') && !ahead) return { ...NONE, every, step, on: null };
    const on = ahead ?? readDayOfMonth(words);
    const problem = on ? problemWithDays(on) : 'Say which day of the month: “on the 15th”.';
    return problem ?? { ...NONE, every, step, on };
  }
  if (words.take('in')) {
    const there = words.list(monthIn);
    return there.length > 0
      ? { ...NONE, every, step, on: null, months: [...new Set(there)].sort((a, b) => a - b) }
      : 'Say the month: “every year in May”.';
  }
  if (!words.take('on') && !ahead) return { ...NONE, every, step, on: null };
  const on = ahead ?? readDayOfMonth(words);
  words.take('of', 'in');
  const there = words.list(monthIn);
  const day = on ?? afterMonth(words, there);
  const problem = day ? problemWithDays(day) : 'Say which day of the year: “on 1 May”.';
  if (problem || !day) return problem ?? '';
  if (there.length === 0) return 'Say the month as well: “every year on 1 May”.';
  return { ...NONE, every, step, on: day, months: [...new Set(there)].sort((a, b) => a - b) };
}

/** “May 1”: the day stands behind the month. */
const afterMonth = (words: Words, there: readonly number[]): DayOfMonth | null => {
  const day = there.length === 1 ? words.takeIf(numberIn) : null;
  return day === null ? null : { days: [day] };
};

function problemWithDays(on: DayOfMonth): string | null {
  const numbers = 'days' in on ? on.days : on.nth;
  const most = 'days' in on ? 31 : on.weekday === 'working day' ? 23 : 5;
  return numbers.every((each) => each !== 0 && Math.abs(each) <= most)
    ? null
    : `A month has no ${numbers.find((each) => each === 0 || Math.abs(each) > most)} of these.`;
}
