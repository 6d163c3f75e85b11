import type { AddressValue, AnswerValue, CodeValue, LookupValue } from '../../log/index.ts';
import type {
  AddressQuestion,
  CodeQuestion,
  DateQuestion,
  EmailQuestion,
  LookupQuestion,
  MomentQuestion,
  PhoneQuestion,
  TextQuestion,
  TimeQuestion,
} from '../template.ts';
import { LONGEST_WORDS } from '../../logic/index.ts';
import { asTyped, problemWithText, textOf, type KindRules, type SayDay } from './rules.ts';

const written = {
  sought: 'words',
  celType: 'string',
  keeps: 'value',
  mayCloseOut: true,
  carries: true,
  say: (_: unknown, value: AnswerValue) => textOf(value),
  readTyped: asTyped,
} as const;

export const text: KindRules<TextQuestion> = {
  ...written,
  // What may stay open is a remark on this one visit.
  carries: ({ required }) => required,
  largest: () => LONGEST_WORDS,
  takesPhotos: true,
  problem: (_, value) => problemWithText(value),
};

export const phone: KindRules<PhoneQuestion> = {
  ...written,
  problem: (_, value) =>
    typeof value === 'string' && /^\+?[\d ()/.-]{3,30}$/.test(value) && /\d{3}/.test(digits(value))
      ? null
      : 'Write a telephone number, such as +299 55 01 23.',
};

const digits = (value: string): string => value.replace(/\D/g, '');

export const email: KindRules<EmailQuestion> = {
  ...written,
  problem: (_, value) =>
    typeof value === 'string' && /^[^\s@]+@[^\s@]+\.[^\s@]{2,}$/.test(value)
      ? null
      : 'Write an e-mail address, such as hut@tarnhollow.example.',
};

/** A calendar day such as "2031-04-05" that exists. */
export function isDay(value: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(value)) return false;
  const date = new Date(`${value}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(value);
}

/** A time of day such as "07:45". */
export const isTimeOfDay = (value: string): boolean => /^([01]\d|2[0-3]):[0-5]\d$/.test(value);

const asItIs: SayDay = (day) => day;

export const date: KindRules<DateQuestion> = {
  ...written,
  sought: 'day',
  carries: false,
  problem: (_, value) =>
    typeof value === 'string' && isDay(value) ? null : 'Give a day of the calendar.',
  say: (_, value, _unit, _expected, sayDay = asItIs) => sayDay(textOf(value)),
};

export const time: KindRules<TimeQuestion> = {
  ...written,
  carries: false,
  problem: (_, value) =>
    typeof value === 'string' && isTimeOfDay(value) ? null : 'Give a time of day, such as 07:45.',
};

export const moment: KindRules<MomentQuestion> = {
  ...written,
  carries: false,
  say: (_, value, _unit, _expected, sayDay = asItIs) => {
    const [day = '', time = ''] = textOf(value).split('T');
    return `${sayDay(day)}, ${time}`;
  },
  problem: (_, value) => {
    const [day = '', hour = '', ...rest] = typeof value === 'string' ? value.split('T') : [];
    return isDay(day) && isTimeOfDay(hour) && rest.length === 0
      ? null
      : 'Give a day and a time of day.';
  },
};

export const isAddress = (value: unknown): value is AddressValue =>
  typeof value === 'object' && value !== null && 'address' in value;

export const address: KindRules<AddressQuestion> = {
  ...written,
  problem: (_, value) => (isAddress(value) ? problemWithText(value.address) : 'Write an address.'),
  readTyped: (_, text) => ({ value: { address: text } }),
  say: (_, value) => (isAddress(value) ? value.address : ''),
  expose: (_, value) => (isAddress(value) ? value.address : ''),
};

export const isCode = (value: unknown): value is CodeValue =>
  typeof value === 'object' && value !== null && 'code' in value;

export const code: KindRules<CodeQuestion> = {
  ...written,
  takesPhotos: true,
  problem: (_, value) =>
    isCode(value) && value.code.trim() !== '' && value.code.length <= 500
      ? null
      : 'Scan the code, or type what is printed on it.',
  readTyped: (_, text) => ({ value: { code: text, how: 'typed' } }),
  say: (_, value) => (isCode(value) ? value.code : ''),
  expose: (_, value) => (isCode(value) ? value.code : ''),
};

export const isLookup = (value: unknown): value is LookupValue =>
  typeof value === 'object' && value !== null && 'catalogue' in value;

export const lookup: KindRules<LookupQuestion> = {
  sought: 'words',
  takesPhotos: true,
  begins: { catalogue: 'products', somethingElse: true },
  celType: 'map<string, dyn>',
  keeps: 'value',
  mayCloseOut: true,
  carries: true,
  problem: (question, value) => {
    if (!isLookup(value) || value.catalogue !== question.catalogue || value.label.trim() === '')
      return 'Choose a row of the catalogue.';
    return value.row === '' && !question.somethingElse ? 'Choose a row of the catalogue.' : null;
  },
  say: (_, value) => {
    if (!isLookup(value)) return '';
    return value.row === '' ? `${value.label} (not in the catalogue)` : value.label;
  },
  expose: (_, value) =>
    isLookup(value) ? { row: value.row, label: value.label, ...value.fields } : {},
};
