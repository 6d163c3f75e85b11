import type { SheetAnswers } from '../trades/kit.ts';
import { rulesOf } from './kinds/index.ts';
import { isUnproven } from './second-person.ts';
import type { QuestionState, SheetState } from './state.ts';

/**
 * What a sheet’s answers are to a reckoning, read from what the sheet shows: for a trade’s own screens and
 * report parts, which draw what was reckoned. Rows stand in the order they are shown in.
 */
export const answersOf = ({ sections, programme }: SheetState): SheetAnswers => ({
  ...asAnswers(sections.flatMap(({ questions }) => questions)),
  ...(programme ? { programme: programme.key } : {}),
});

function asAnswers(questions: readonly QuestionState[]): SheetAnswers {
  const answers: Record<string, unknown> = {};
  for (const state of questions) {
    const { question, visible, rows, answer, calculated } = state;
    if (!visible) continue;
    if (question.kind === 'rows')
      answers[question.key] = rows.map((row) => asAnswers(row.questions));
    const value = answer?.value ?? calculated;
    if (question.kind === 'rows' || value === null || isUnproven(state)) continue;
    const { expose } = rulesOf(question);
    answers[question.key] = expose ? expose(question, value, answer?.unit) : value;
  }
  return answers;
}
