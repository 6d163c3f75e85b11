import {
  judgeOffScale,
  judgeRange,
  sayLimit,
  sayRange,
  vibrationZone,
  writeUnit,
  type ExpectedRange,
} from '../measure/index.ts';
import { numberOf, offScaleOf, rulesOf, sayAnswer } from './kinds/index.ts';
import type { AnswerValue } from '../log/index.ts';
import type { Severity } from './severity.ts';
import type { Alert } from './state.ts';
import { isReading, type Question, type ReadingQuestion } from './template.ts';
import { inUnit, type OffScale } from './kinds/index.ts';

/** From this severity on an answer counts as amiss and calls for its reason and photo. */
const AMISS_FROM: Severity = 2;

/** A value as it stands in a sheet: answered or calculated. */
export interface Said {
  readonly value: AnswerValue;
  readonly unit?: string;
}

/** Compares a reading with what is expected of it; null when it is fine. */
export function alertOf(
  question: Question,
  said: Said | null,
  expected: ExpectedRange | null,
): Alert | null {
  const value = said && numberOf(said.value);
  if (value === null) return null;
  if (question.kind === 'percentage') return expected && rangeAlert('%', value, expected);
  if (!isReading(question)) return null;
  const off = said && offScaleOf(said.value);
  return judgeReading(question, inUnit(value, said?.unit, question.unit), expected, off);
}

/**
 * Judges a number in its question's unit as it is typed, before it is an answer; null when it is
 * fine.
 */
export function judgeReading(
  question: ReadingQuestion,
  value: number,
  expected: ExpectedRange | null = question.expected ?? null,
  off: OffScale | null = null,
): Alert | null {
  return (
    (expected && rangeAlert(question.unit, value, expected, off)) ?? zoneAlert(question, value)
  );
}

function rangeAlert(
  unitCode: string,
  value: number,
  expected: ExpectedRange,
  off: OffScale | null = null,
): Alert | null {
  const { verdict, sure } =
    off === null
      ? { verdict: judgeRange(value, expected), sure: true }
      : judgeOffScale(value, off, expected);
  if (verdict === 'within') return null;
  const unit = writeUnit(unitCode);
  if (!sure) return { verdict, words: sayUnsure(verdict, expected, unit) };
  const side = verdict === 'above' ? 'Above' : 'Below';
  if (expected.low !== undefined && expected.high !== undefined)
    return { verdict, words: `${side} the expected ${sayRange(expected, unit)}` };
  const end = verdict === 'above' ? 'high' : 'low';
  const limit = `${sayLimit(expected[end] ?? 0, end)} ${unit}`.trim();
  const most = verdict === 'above' ? 'most' : 'least';
  return { verdict, words: `${side} the ${limit} expected at ${most}` };
}

/** What lies off the scale may be as expected or not: only another scale tells. */
function sayUnsure(verdict: 'above' | 'below', expected: ExpectedRange, unit: string): string {
  const end = verdict === 'above' ? 'high' : 'low';
  const limit = `${sayLimit(expected[end] ?? 0, end)} ${unit}`.trim();
  return `May lie ${verdict} the ${limit} expected: measure it on another scale`;
}

function zoneAlert(question: ReadingQuestion, value: number): Alert | null {
  if (!('vibrationClass' in question) || !question.vibrationClass || value < 0) return null;
  const zone = vibrationZone(value, question.vibrationClass);
  if (zone === 'A' || zone === 'B') return null;
  const words =
    zone === 'C'
      ? 'Zone C: not for running on like this'
      : 'Zone D: strong enough to damage the machine';
  return { verdict: 'zone', zone, words };
}

/** How bad an answer is, 0 when it is as it should be. */
export function severityOf(question: Question, said: Said | null, alert: Alert | null): Severity {
  if (!said) return 0;
  if (alert) return alert.zone === 'D' ? 3 : (question.whenAmiss?.severity ?? 2);
  return rulesOf(question).severity?.(question, said.value) ?? 0;
}

/** Whether the answer is not as it should be, so that a reason or photo may be asked for. */
export function isAmiss(question: Question, said: Said | null, severity: Severity): boolean {
  if (severity >= AMISS_FROM) return true;
  return said !== null && (rulesOf(question).amiss?.(question, said.value) ?? false);
}

/** A finding in words: what was asked, what was said, and what is wrong with it. */
export function sayFinding(
  question: Question,
  said: Said,
  alert: Alert | null,
  expected: ExpectedRange | null = null,
): string {
  const colon = question.label.endsWith('?') ? '' : ':';
  const words = `${question.label}${colon} ${sayAnswer(question, said.value, said.unit, expected)}`;
  return alert ? `${words}. ${alert.words}` : words;
}
