import type { QuestionState, SheetState } from './state.ts';

/** A question with the names of the rows it stands in. */
export interface Stop {
  readonly state: QuestionState;
  readonly rows: readonly string[];
}

/** Every question that is asked, those in rows after their row group, in the sheet's order. */
export function* everyQuestion(state: SheetState): Generator<Stop> {
  for (const section of state.sections) yield* walk(section.questions, []);
}

export function* walk(
  questions: readonly QuestionState[],
  rows: readonly string[],
): Generator<Stop> {
  for (const state of questions) {
    yield { state, rows };
    for (const row of state.rows) yield* walk(row.questions, [...rows, row.name]);
  }
}

/** The question at a path, wherever it stands; null when it is not asked. Rows it can't stand in are gone past. */
export function questionAtPath({ sections }: SheetState, path: string): QuestionState | null {
  for (const { questions } of sections) {
    const found = amongPaths(questions, path);
    if (found) return found;
  }
  return null;
}

function amongPaths(questions: readonly QuestionState[], path: string): QuestionState | null {
  for (const state of questions) {
    if (state.path === path) return state;
    if (!path.startsWith(`${state.path}/`)) continue;
    const row = state.rows.find((each) => path.startsWith(`${each.path}/`));
    return row ? amongPaths(row.questions, path) : null;
  }
  return null;
}
