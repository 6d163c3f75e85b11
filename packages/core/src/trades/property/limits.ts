import type { SheetAnswers } from '../kit.ts';
import { rowsOf } from '../rows-of.ts';
import { AREAS, LIMIT, SEEN } from './keys/index.ts';

/** Something the report can't answer for, and the areas it is about by their places among the rows. */
export interface Limit {
  readonly label: string;
  readonly words: string;
  readonly areas: readonly number[];
}

const SEEN_WHOLE = 'whole';

/** The areas that were not seen, or not wholly, by their places among the rows. */
export const unseenAreas = (answers: SheetAnswers): readonly number[] =>
  rowsOf(answers[AREAS]).flatMap((row, at) =>
    row[SEEN] !== undefined && row[SEEN] !== SEEN_WHOLE ? [at] : [],
  );

/** The limits of the inspection: each block of words once, in the order in which the areas come. */
export function limitsOf(answers: SheetAnswers): readonly Limit[] {
  const rows = rowsOf(answers[AREAS]);
  const found = new Map<string, { label: string; words: string; areas: number[] }>();
  for (const at of unseenAreas(answers)) {
    const row = rows[at]?.[LIMIT];
    if (typeof row !== 'object' || row === null) continue;
    const { label, words } = row as Readonly<Record<string, unknown>>;
    if (typeof label !== 'string') continue;
    const known = found.get(label);
    if (known) known.areas.push(at);
    else found.set(label, { label, words: typeof words === 'string' ? words : '', areas: [at] });
  }
  return [...found.values()];
}
