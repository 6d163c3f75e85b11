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

/** What was read on a wall; a reading without its place is left out. A wall may have hundreds: nothing is made twice. */
function spotsOn(row: SheetAnswers): readonly Spot[] {
  const spots: Spot[] = [];
  for (const spot of rowsOf(row[SPOTS])) {
    const across = numberAt(spot, ACROSS);
    const up = numberAt(spot, UP);
    const wet = numberAt(spot, WET);
    if (across !== null && up !== null && wet !== null && wet >= 0) spots.push({ across, up, wet });
  }
  return spots;
}

/** Walls of which the material is known. */
export const wallsOf = (answers: SheetAnswers): readonly Wall[] =>
  rowsOf(answers[WALLS]).flatMap((row, at): Wall[] => {
    const material = MATERIALS.find((each) => each === row[MATERIAL]);
    return material ? [{ at, material, spots: spotsOn(row) }] : [];
  });

interface Wetness {
  readonly wet: number;
  /** Percent by mass; null where nothing was read. */
  readonly most: number | null;
}

/** How many readings are wet for what they were taken in, and how wet the wettest is. */
export function wetnessOf(answers: SheetAnswers): Wetness {
  let wet = 0;
  let most: number | null = null;
  for (const { material, spots } of wallsOf(answers))
    for (const spot of spots) {
      if (bandOf(material, spot.wet) === 'wet') wet++;
      if (most === null || spot.wet > most) most = spot.wet;
    }
  return { wet, most };
}
