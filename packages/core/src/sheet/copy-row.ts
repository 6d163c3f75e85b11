import type { AnswerValue } from '../log/index.ts';
import type { RowState } from './state.ts';
import type { QuestionKind } from './template.ts';

/** Kinds whose answer belongs to one thing or one moment, never to the next row as well. */
const OWN_ONLY: ReadonlySet<QuestionKind> = new Set<QuestionKind>([
  'code',
  'signature',
  'hold',
  'sketch',
  'acknowledge',
  'instrument',
]);

export interface CopiedAnswer {
  readonly path: string;
  readonly value: AnswerValue;
  readonly unit?: string;
}

/**
 * What one row may take over from another: the answers it does not have yet. Codes, signatures
 * and values an instrument gave stay with their own row. Rows within rows are not copied.
 */
export function answersToCopy(from: RowState, to: RowState): CopiedAnswer[] {
  const answered = new Set(
    to.questions.filter(({ answer }) => answer !== null).map(({ question }) => question.key),
  );
  return copied(from, to.path, answered);
}

/** The values a new row shares with the one it is made after. */
export const answersForNewRow = (from: Pick<RowState, 'questions'>, path: string): CopiedAnswer[] =>
  copied(from, path, new Set());

const copied = (
  from: Pick<RowState, 'questions'>,
  path: string,
  besides: ReadonlySet<string>,
): CopiedAnswer[] =>
  from.questions.flatMap(({ question, answer }) => {
    if (!answer || besides.has(question.key) || OWN_ONLY.has(question.kind)) return [];
    const { value, unit } = answer;
    return [{ path: `${path}/${question.key}`, value, ...(unit === undefined ? {} : { unit }) }];
  });

/** The place a row gets by moving past its neighbour, given the places of all rows in order. */
export function orderAfterMove(orders: readonly number[], index: number, step: -1 | 1): number {
  const past = orders[index + step] ?? orders[index] ?? 0;
  const beyond = orders[index + 2 * step] ?? past + 2 * step;
  return (past + beyond) / 2;
}
