import type { AnswerValue } from '../log/index.ts';
import type { ExpectedRange } from '../measure/index.ts';
import { sayAnswer, type SayDay } from './kinds/index.ts';
import { isUnproven } from './second-person.ts';
import type { QuestionState } from './state.ts';
import type { Question } from './template.ts';

/** An answer as people read it, with days written the face's own way. */
export const sayValue = (
  question: Question,
  value: AnswerValue,
  unit: string | undefined,
  sayDay: SayDay,
  expected?: ExpectedRange | null,
): string => sayAnswer(question, value, unit, expected, sayDay);

const counted = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

/** What a question came to, in words: in the read-through, in review, in the report, in exports. */
export function sayState(state: QuestionState, sayDay: SayDay): string {
  const { question, answer, calculated, photos, files, rows, expected } = state;
  if (state.closedOut) return 'Not applicable, closed out';
  if (question.kind === 'rows') {
    const complete = rows.filter((row) => row.looseEnds.length === 0).length;
    return `${counted(rows.length, 'row')}, ${complete} complete`;
  }
  if (answer) {
    const said = sayValue(question, answer.value, answer.unit, sayDay, expected);
    return isUnproven(state) ? `${said} (does not count yet)` : said;
  }
  if (calculated !== null) return sayValue(question, calculated, undefined, sayDay, expected);
  if (files.length > 0) return files.map(({ value }) => sayAnswer(question, value)).join(', ');
  if (photos.length > 0) return counted(photos.length, 'photo');
  return 'not answered';
}

/** Whether a question came to anything at all. */
export const isSaid = (state: QuestionState): boolean =>
  state.answer !== null ||
  state.calculated !== null ||
  state.closedOut !== null ||
  state.rows.length + state.photos.length + state.files.length > 0;
