import { judgeRange, sayRange, vibrationZone, writeUnit } from '../measure/index.ts';
import { sayAnswer } from './answer.ts';
import type { Severity } from './severity.ts';
import type { Alert, Answer, Finding } from './state.ts';
import type { NumberQuestion, Question } from './template.ts';

/** From this severity on an answer counts as amiss and calls for its reason and photo. */
const AMISS_FROM: Severity = 2;

/** Compares a reading with what is expected of it; null when it is fine. */
export function alertOf(question: Question, answer: Answer | null): Alert | null {
  if (question.kind !== 'number' || typeof answer?.value !== 'number') return null;
  return judgeReading(question, answer.value);
}

/** Judges a number as it is typed, before it is an answer; null when it is fine. */
export function judgeReading(question: NumberQuestion, value: number): Alert | null {
  return rangeAlert(question, value) ?? zoneAlert(question, value);
}

function rangeAlert(question: NumberQuestion, value: number): Alert | null {
  const { expected } = question;
  if (!expected) return null;
  const verdict = judgeRange(value, expected);
  if (verdict === 'within') return null;
  const unit = writeUnit(question.unit);
  const side = verdict === 'above' ? 'Above' : 'Below';
  if (expected.low !== undefined && expected.high !== undefined)
    return { verdict, words: `${side} the expected ${sayRange(expected, unit)}` };
  const limit = `${verdict === 'above' ? expected.high : expected.low} ${unit}`.trim();
  const most = verdict === 'above' ? 'most' : 'least';
  return { verdict, words: `${side} the ${limit} expected at ${most}` };
}

function zoneAlert(question: NumberQuestion, value: number): Alert | null {
  if (!question.vibrationClass || value < 0) return null;
  const zone = vibrationZone(value, question.vibrationClass);
  if (zone === 'A' || zone === 'B') return null;
  const words =
    zone === 'C'
      ? 'Zone C: not for running on like this'
      : 'Zone D: strong enough to damage the machine';
  return { verdict: 'zone', zone, words };
}

/** How bad an answer is, 0 when it is as it should be. */
export function severityOf(
  question: Question,
  answer: Answer | null,
  alert: Alert | null,
): Severity {
  if (!answer) return 0;
  switch (question.kind) {
    case 'yesNo':
      return answer.value === 'no' ? (question.whenAmiss?.severity ?? 0) : 0;
    case 'choice':
      return question.options.find((option) => option.key === answer.value)?.severity ?? 0;
    case 'choices': {
      const chosen = Array.isArray(answer.value) ? (answer.value as readonly string[]) : [];
      return question.options
        .filter((option) => chosen.includes(option.key))
        .reduce<Severity>((worst, { severity = 0 }) => (severity > worst ? severity : worst), 0);
    }
    case 'number': {
      if (!alert) return 0;
      return alert.zone === 'D' ? 3 : (question.whenAmiss?.severity ?? 2);
    }
    default:
      return 0;
  }
}

/** Whether the answer is not as it should be, so that a reason or photo may be asked for. */
export function isAmiss(question: Question, answer: Answer | null, severity: Severity): boolean {
  return severity >= AMISS_FROM || (question.kind === 'yesNo' && answer?.value === 'no');
}

export function findingOf(
  question: Question,
  answer: Answer | null,
  alert: Alert | null,
  severity: Severity,
): Finding | null {
  if (!answer || severity === 0) return null;
  const said = sayAnswer(question, answer.value, answer.unit);
  const words = `${question.label}: ${said}${alert ? `. ${alert.words}` : ''}`;
  const action = question.whenAmiss?.action;
  return {
    key: question.key,
    severity,
    words,
    ...(action === undefined ? {} : { proposedAction: action }),
  };
}
