/** A moment as the clock on the wall shows it. */
export interface LocalMoment {
  /** The calendar day, "2031-04-05". */
  readonly day: string;
  /** Minutes since midnight, 0 to 1439. */
  readonly minute: number;
}

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(timeZone: string): Intl.DateTimeFormat {
  const known = formats.get(timeZone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  formats.set(timeZone, made);
  return made;
}

/** An instant in a time zone of the IANA database. Throws a RangeError for an unknown zone. */
export function inZone(at: Date, timeZone: string): LocalMoment {
  const parts = formatOf(timeZone).formatToParts(at);
  const part = (type: string): string => parts.find((p) => p.type === type)?.value ?? '0';
  return {
    day: `${part('year')}-${part('month')}-${part('day')}`,
    minute: Number(part('hour')) * 60 + Number(part('minute')),
  };
}

/** The calendar day `count` days later (or earlier, when negative). */
export function addDays(day: string, count: number): string {
  const date = new Date(`${day}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() + count);
  return date.toISOString().slice(0, 10);
}

/** Whole days from one calendar day to another; negative when it lies before. */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);
}

/** The day of the week by ISO 8601: 1 for Monday to 7 for Sunday. */
export const weekdayOf = (day: string): number =>
  ((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) + 1;

/** "08:40" from minutes since midnight. */
export function sayMinute(minute: number): string {
  const pad = (n: number): string => String(Math.floor(n)).padStart(2, '0');
  return `${pad(minute / 60)}:${pad(minute % 60)}`;
}

/**
 * "07:45" from a time of day as people write it: 745, 7:45, 7.45, 7h45, 7, with or without am and pm.
 * Null where it is none, and where it could be two: "12 am" is midnight, but 0:30 pm is nothing.
 */
export function readTimeOfDay(text: string): string | null {
  const match = /^(\d{1,2}?)(?:\s*[:.h]?\s*(\d{2}))?\s*(?:h|([ap])\.?m\.?)?$/i.exec(text.trim());
  if (!match) return null;
  const [, hours = '', minutes = '00', half] = match;
  let hour = Number(hours);
  if (half) {
    if (hour < 1 || hour > 12) return null;
    hour = (hour % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
  }
  return hour > 23 || Number(minutes) > 59 ? null : sayMinute(hour * 60 + Number(minutes));
}

/** Minutes since midnight of a time as people write it, as `readTimeOfDay` reads it; null where it is none. */
export function readMinute(text: string): number | null {
  const time = readTimeOfDay(text);
  return time === null ? null : Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
}

/** "45 min", "1 h", "1 h 30": a length of time as people say it. */
export function sayLength(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${rest}`;
}

const MINUTE_MS = 60_000;

/**
 * The instant of a minute of a day in a time zone. A minute that clocks skip is the one as long after
 * the change; of one that comes twice it is the first. Throws a RangeError for an unknown zone.
 */
export function fromZone(day: string, minute: number, timeZone: string): Date {
  const wanted = Date.parse(`${day}T00:00:00Z`) + minute * MINUTE_MS;
  const offAt = (instant: number): number => {
    const here = inZone(new Date(instant), timeZone);
    return Date.parse(`${here.day}T00:00:00Z`) + here.minute * MINUTE_MS - instant;
  };
  // The clock may change between the two: what it was half a day before and after are all it can be.
  const offsets = [offAt(wanted - 43_200_000), offAt(wanted + 43_200_000)];
  const fitting = offsets
    .map((off) => wanted - off)
    .filter((instant) => instant + offAt(instant) === wanted);
  return new Date(Math.min(...(fitting.length > 0 ? fitting : [wanted - (offsets[0] ?? 0)])));
}
