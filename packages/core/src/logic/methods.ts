import type { Meter } from './meter.ts';
import { matchesPattern } from './patterns.ts';

/** A function called on a value; the first argument counts what it costs. */
export type Method<Of> = (meter: Meter, of: Of, ...given: unknown[]) => unknown;

const text = (value: unknown): string => {
  if (typeof value !== 'string') throw new Error('it needs words');
  return value;
};

const whole = (value: unknown): number => {
  if (typeof value !== 'number' || !Number.isInteger(value))
    throw new Error('it needs a whole number');
  return value;
};

const within = (value: string, at: number): number => {
  if (at < 0 || at > value.length) throw new Error('the words are not that long');
  return at;
};

/** How long something is: words by their characters, lists and maps by what is in them. */
export function sizeOfValue(value: unknown): number {
  if (typeof value === 'string') return [...value].length;
  if (Array.isArray(value)) return value.length;
  if (typeof value === 'object' && value !== null) return Object.keys(value).length;
  throw new Error('it has no size');
}

/** What can be called on words and lists, as CEL and its usual extensions name it. */
export const METHODS: ReadonlyMap<string, Method<unknown>> = new Map<string, Method<unknown>>([
  ['size', (_, of) => sizeOfValue(of)],
  ['startsWith', (_, of, start) => text(of).startsWith(text(start))],
  ['endsWith', (_, of, end) => text(of).endsWith(text(end))],
  ['contains', (_, of, part) => text(of).includes(text(part))],
  ['lowerAscii', (_, of) => text(of).toLowerCase()],
  ['upperAscii', (_, of) => text(of).toUpperCase()],
  ['trim', (_, of) => text(of).trim()],
  [
    'indexOf',
    (_, of, part, from = 0) => text(of).indexOf(text(part), within(text(of), whole(from))),
  ],
  [
    'lastIndexOf',
    (_, of, part, from) =>
      from === undefined
        ? text(of).lastIndexOf(text(part))
        : text(of).lastIndexOf(text(part), within(text(of), whole(from))),
  ],
  [
    'substring',
    (_, of, from, to) => {
      const words = text(of);
      const start = within(words, whole(from));
      const end = to === undefined ? words.length : within(words, whole(to));
      if (end < start) throw new Error('it ends before it begins');
      return words.slice(start, end);
    },
  ],
  [
    'matches',
    (meter, of, pattern) => {
      meter.take(((text(of).length + 1) * (text(pattern).length + 1)) >> 6);
      return matchesPattern(text(of), text(pattern));
    },
  ],
  [
    'split',
    (meter, of, by, limit) => {
      meter.take(text(of).length);
      const parts = text(of).split(text(by));
      if (limit === undefined || whole(limit) < 0 || parts.length <= whole(limit)) return parts;
      const most = whole(limit);
      return most === 0 ? [] : [...parts.slice(0, most - 1), parts.slice(most - 1).join(text(by))];
    },
  ],
  [
    'join',
    (meter, of, by = '') => {
      if (!Array.isArray(of)) throw new Error('only a list can be joined');
      meter.take(of.length);
      return of.map(text).join(text(by));
    },
  ],
]);

const numberIn = (value: unknown): number => {
  if (typeof value === 'number') return value;
  if (typeof value === 'boolean' || text(value).trim() !== value || value === '')
    throw new Error('it is no number');
  const read = Number(value);
  if (Number.isNaN(read)) throw new Error('it is no number');
  return read;
};

/** CEL's own functions, beside those that are added to it. */
export const LANGUAGE_FUNCTIONS: ReadonlyMap<string, (...given: unknown[]) => unknown> = new Map<
  string,
  (...given: unknown[]) => unknown
>([
  ['size', (value) => sizeOfValue(value)],
  ['double', numberIn],
  ['int', (value) => Math.trunc(numberIn(value))],
  ['dyn', (value) => value],
  [
    'string',
    (value) => {
      if (typeof value === 'string') return value;
      if (typeof value === 'number' || typeof value === 'boolean') return String(value);
      throw new Error('it can’t be written as words');
    },
  ],
  [
    'bool',
    (value) => {
      if (typeof value === 'boolean') return value;
      if (value === 'true' || value === 'false') return value === 'true';
      throw new Error('it is neither yes nor no');
    },
  ],
]);
