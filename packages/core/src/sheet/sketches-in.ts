import type { SketchValue } from '../log/index.ts';
import { everyQuestion } from './every-question.ts';
import { isSketch } from './kinds/index.ts';
import type { SheetState } from './state.ts';

/** A sketch of a sheet. */
export interface SheetSketch {
  /** Path of the question it answers. */
  readonly path: string;
  /** What the row is called that it stands in; empty where it stands in none. */
  readonly name: string;
  readonly sketch: SketchValue;
}

/** Every sketch that answers a question of this key, in rows or not, in the sheet’s order. */
export function sketchesIn(state: SheetState, key: string): readonly SheetSketch[] {
  const found: SheetSketch[] = [];
  for (const { state: asked, rows } of everyQuestion(state)) {
    const value = asked.answer?.value;
    if (asked.question.key === key && isSketch(value))
      found.push({ path: asked.path, name: rows.at(-1) ?? '', sketch: value });
  }
  return found;
}
