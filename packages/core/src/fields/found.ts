import { rulesOf, sayAnswer, type Question, type SoughtBy } from '../sheet/index.ts';
import type { Facts, Field } from './fields.ts';

/** What was said to one question: as it is compared, and as it is read. */
export interface Found {
  /** A number in the question's unit, a key, words, a day; keys where several were chosen. */
  readonly v: number | string | readonly string[];
  /** As people read it, with its unit; days as RFC 3339. */
  readonly t: string;
}

/** Something as one line of many, by the keys of what was asked. */
export type FoundBy = Readonly<Record<string, Found>>;

/** Longer words are cut: a line is for finding, the whole for reading. */
const MOST_LETTERS = 300;

/** An answer as it is found again; null where its question is not sought by, or it is no value. */
export function foundAs(
  question: Question,
  said: unknown,
  unit: string | undefined,
  read: string,
): Found | null {
  const { sought, expose } = rulesOf(question);
  if (!sought) return null;
  const t = read.slice(0, MOST_LETTERS);
  const v = sought === 'words' ? t : plain(expose ? expose(question, said as never, unit) : said);
  return v === null ? null : { v, t };
}

function plain(value: unknown): Found['v'] | null {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return Number.isFinite(value) ? value : null;
  if (typeof value === 'string') return value.slice(0, MOST_LETTERS);
  if (Array.isArray(value)) return value.map((each) => String(each).slice(0, MOST_LETTERS));
  return null;
}

/** Facts as they are found again; those of no field are left out. */
export const factsFound = (fields: readonly Field[], facts: Facts): FoundBy =>
  Object.fromEntries(
    fields.flatMap((field) => {
      const fact = Object.hasOwn(facts, field.key) ? facts[field.key] : undefined;
      if (!fact) return [];
      const read = sayAnswer(field, fact.value, fact.unit, undefined, (day) => day);
      const found = foundAs(field, fact.value, fact.unit, read);
      return found ? [[field.key, found]] : [];
    }),
  );

/** In which words something is found by what is known of it. */
export const wordsFound = (found: FoundBy): string =>
  Object.values(found)
    .map(({ t }) => t)
    .join(' ')
    .toLowerCase();

/** What something can be sought by. */
export interface SoughtField {
  readonly key: string;
  readonly label: string;
  readonly kind: SoughtBy;
  /** UCUM code of a number. */
  readonly unit: string | null;
  readonly options: readonly { readonly value: string; readonly label: string }[];
}

/** Those of some questions that can be sought by, in their order. */
export const soughtFields = (questions: readonly Question[]): SoughtField[] =>
  questions.flatMap((question): SoughtField[] => {
    const { sought: kind, offers } = rulesOf(question);
    if (!kind) return [];
    const unit = 'unit' in question ? question.unit : question.kind === 'percentage' ? '%' : null;
    const { key, label } = question;
    return [{ key, label, kind, unit, options: offers?.(question) ?? [] }];
  });
