import type { SheetAnswers } from '../kit.ts';
import { rowsOf } from '../rows-of.ts';
import { ACROSS, MATERIAL, SPOTS, UP, WALLS, WET } from './keys/index.ts';
import { bandOf, MATERIALS, type Material, type Spot } from './moisture.ts';

/** A wall by its place among the rows, with what was read on it. */
export interface Wall {
  readonly at: number;
  readonly material: Material;
  readonly spots: readonly Spot[];
}

const numberAt = (row: SheetAnswers, key: string): number | null => {
  const value = row[key];
  return typeof value === 'number' && Number.isFinite(value) ? value : null;
};

/** Walls of which the material is known; a reading without its place is left out. */
export const wallsOf = (answers: SheetAnswers): readonly Wall[] =>
  rowsOf(answers[WALLS]).flatMap((row, at): Wall[] => {
    const material = MATERIALS.find((each) => each === row[MATERIAL]);
    if (!material) return [];
    const spots = rowsOf(row[SPOTS]).flatMap((spot): Spot[] => {
      const [across, up, wet] = [numberAt(spot, ACROSS), numberAt(spot, UP), numberAt(spot, WET)];
      return across === null || up === null || wet === null || wet < 0 ? [] : [{ across, up, wet }];
    });
    return [{ at, material, spots }];
  });

/** How many readings are wet for what they were taken in, and how wet the wettest is. */
export function wetnessOf(answers: SheetAnswers): {
  readonly wet: number;
  readonly most: number | null;
} {
  const all = wallsOf(answers).flatMap(({ material, spots }) =>
    spots.map(({ wet }) => ({ wet, band: bandOf(material, wet) })),
  );
  return {
    wet: all.filter(({ band }) => band === 'wet').length,
    most: all.length === 0 ? null : Math.max(...all.map(({ wet }) => wet)),
  };
}
