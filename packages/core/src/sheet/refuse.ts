import { parsePath, STAGE_PATH, type Entry } from '../log/index.ts';
import { isPhoto, problemWithAnswer, problemWithText } from './answer.ts';
import type { SheetPlan } from './plan.ts';

/**
 * Says why an entry can't belong to a sheet of this template, in words for the person who wrote
 * it; null when it can. Phone and server ask the same function.
 */
export function problemWithEntry(plan: SheetPlan, entry: Entry): string | null {
  if (entry.path === STAGE_PATH) {
    if (entry.kind === 'answer' || entry.kind === 'clear' || entry.kind === 'correct')
      return 'An answer must name its question.';
    return entry.kind === 'return' && !entry.reason?.trim()
      ? 'Say what should be looked at again.'
      : null;
  }
  const parsed = parsePath(entry.path);
  const question = parsed && plan.questions.get(parsed.key);
  if (!question) return `This template version has no question “${entry.path}”.`;
  if (entry.kind === 'clear') return null;
  if (entry.kind !== 'answer' && entry.kind !== 'correct')
    return 'Only the whole sheet can be finished, returned or approved.';
  if (entry.kind === 'correct' && !entry.reason?.trim()) return 'Say why the value is corrected.';
  switch (parsed.aspect) {
    case 'answer': {
      const problem = problemWithAnswer(question, entry.value);
      if (problem) return `${question.label}: ${problem}`;
      if (question.kind === 'number' && entry.unit !== question.unit)
        return `${question.label}: give the value in ${question.unit}.`;
      return null;
    }
    case 'reason': {
      const problem = problemWithText(entry.value);
      return problem && `${question.label}: ${problem}`;
    }
    case 'photo':
      return isPhoto(entry.value) && entry.value.bytes > 0
        ? null
        : `${question.label}: this photo is empty.`;
    case 'stage':
      return 'An answer must name its question.';
  }
}
