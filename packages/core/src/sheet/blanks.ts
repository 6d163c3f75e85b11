import type { AnswerValue, CloseOutValue } from '../log/index.ts';
import { rulesOf } from './kinds/index.ts';
import type { QuestionState } from './state.ts';
import type { Question } from './template.ts';

/** Whether a value names the paths it closes out. */
export const closesOut = (value: AnswerValue | null): value is CloseOutValue =>
  typeof value === 'object' && value !== null && 'closed' in value;

/** Whether a question may be left to "not applicable" in one go with others. */
export const mayCloseOut = (question: Question): boolean =>
  rulesOf(question).mayCloseOut && question.neverBlank !== true;

/**
 * The paths that closing out would cover: everything asked and unanswered among these questions,
 * rows included. Signatures, hold points, instructions to acknowledge and what the template
 * excludes stay open.
 */
export function blanksIn(questions: readonly QuestionState[]): string[] {
  return questions.flatMap((state) => {
    if (!state.visible) return [];
    if (state.rows.length > 0) return state.rows.flatMap((row) => blanksIn(row.questions));
    const { question } = state;
    const open =
      state.answer === null &&
      state.closedOut === null &&
      state.photos.length + state.files.length === 0;
    return open && mayCloseOut(question) ? [state.path] : [];
  });
}
