import type { AnswerValue, PhotoValue, SignatureValue } from '../log/index.ts';
import { writeNumber, writeUnit } from '../measure/index.ts';
import type { Question } from './template.ts';

const YES_NO_WORDS: Record<string, string> = {
  yes: 'Yes',
  no: 'No',
  na: 'Not applicable',
};
const LONGEST_TEXT = 10_000;

export const isPhoto = (value: unknown): value is PhotoValue =>
  typeof value === 'object' && value !== null && 'sha256' in value;

export const isSignature = (value: unknown): value is SignatureValue =>
  typeof value === 'object' && value !== null && 'strokes' in value;

/** Says why a value can't answer a question, in words for the person; null when it can. */
export function problemWithAnswer(question: Question, value: unknown): string | null {
  switch (question.kind) {
    case 'yesNo':
      return typeof value === 'string' && value in YES_NO_WORDS
        ? null
        : 'Answer yes, no or not applicable.';
    case 'choice':
      return question.options.some((option) => option.key === value)
        ? null
        : 'Choose one of the answers offered.';
    case 'choices': {
      const known = new Set(question.options.map((option) => option.key));
      const list: unknown[] = Array.isArray(value) ? value : [null];
      return list.every((item) => typeof item === 'string' && known.has(item)) &&
        new Set(list).size === list.length
        ? null
        : 'Choose among the answers offered.';
    }
    case 'number':
      return typeof value === 'number' && Number.isFinite(value) ? null : 'Write a number.';
    case 'text':
      return problemWithText(value);
    case 'date':
      return typeof value === 'string' && isDay(value) ? null : 'Give a day of the calendar.';
    case 'acknowledge':
      return value === true ? null : 'Acknowledge the instruction, or leave it open.';
    case 'signature':
      return isSignature(value) && value.name.trim() !== '' && value.strokes.length > 0
        ? null
        : 'A signature needs a name and a drawn line.';
    case 'photo':
      return 'Photos are added to this question one by one.';
  }
}

/** Says why something is not a usable text; null when it is. */
export function problemWithText(value: unknown): string | null {
  if (typeof value !== 'string' || value.trim() === '') return 'Write a few words.';
  return value.length > LONGEST_TEXT ? `Keep it below ${LONGEST_TEXT} characters.` : null;
}

/** A calendar day such as "2031-04-05" that exists. */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const date = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(text);
}

/** The words of a text, a day or a chosen key; empty for any other kind of value. */
export const textOf = (value: AnswerValue): string => (typeof value === 'string' ? value : '');

const optionLabel = (options: readonly { key: string; label: string }[], key: unknown): string =>
  options.find((option) => option.key === key)?.label ?? String(key);

/** The answer as people read it, with its unit. Dates stay days: the face writes them its own way. */
export function sayAnswer(question: Question, value: AnswerValue, unit?: string): string {
  switch (question.kind) {
    case 'yesNo':
      return YES_NO_WORDS[textOf(value)] ?? textOf(value);
    case 'choice':
      return optionLabel(question.options, value);
    case 'choices': {
      const chosen = Array.isArray(value) ? (value as readonly unknown[]) : [];
      return chosen.map((key) => optionLabel(question.options, key)).join(', ') || 'None of them';
    }
    case 'number': {
      const written = writeUnit(unit ?? question.unit);
      return `${writeNumber(Number(value), question.decimals)}${written ? ` ${written}` : ''}`;
    }
    case 'acknowledge':
      return 'Acknowledged';
    case 'signature':
      return isSignature(value) ? `Signed by ${value.name}` : 'Signed';
    case 'photo':
      return isPhoto(value) ? value.comment || 'Photo' : 'Photo';
    case 'text':
    case 'date':
      return textOf(value);
  }
}
