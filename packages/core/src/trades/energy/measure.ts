import type { SheetAnswers } from '../kit.ts';
import { DANGERS, type Danger } from './dangers.ts';
import { PART_KINDS, THINGS, type PartKind, type Thing } from './keys/index.ts';
import type { House, HousePart, Maker } from './dwelling.ts';
import { numberAt, textAt } from './read.ts';

/** How a measure saves, in the order in which they are counted where a programme says nothing else. */
export const WAYS = ['shell', 'air', 'heat', 'water', 'base'] as const;
export type Way = (typeof WAYS)[number];

/** What could be done to a part or to the house, as the catalogue has it. */
export interface Measure {
  readonly code: string;
  readonly label: string;
  readonly way: Way;
  /** Kinds of part it is for; none where it is for the house. */
  readonly fits: readonly PartKind[];
  /** Money for each m², or for the house. */
  readonly cost: number;
  /** Years. */
  readonly life: number;
  /** What the programme gives back, in percent and at most. */
  readonly rebate: number;
  readonly rebateCap: number;
  /** m²·K/W that it adds; or the U-value the part has then. */
  readonly adds: number | null;
  readonly uThen: number | null;
  /** Percent of the air through gaps, or of the base load or warm water, that it saves. */
  readonly saves: number | null;
  /** The maker of warmth that takes the place of the old one. */
  readonly maker: Maker | null;
  readonly barredBy: readonly Danger[];
  /** Programmes it is allowed in; none for all. */
  readonly programmes: readonly string[];
}

const wordsAt = (row: SheetAnswers, key: string): readonly string[] =>
  textAt(row, key)
    .split(/[\s,;]+/)
    .filter(Boolean);

/** A measure from its row in the catalogue; null where the row says none. */
export function measureFrom(row: SheetAnswers | null): Measure | null {
  const way = WAYS.find((each) => each === textAt(row, 'way'));
  const cost = numberAt(row, 'cost');
  if (!row || !way || cost === null) return null;
  const efficiency = numberAt(row, 'efficiency');
  const fuel = textAt(row, 'fuel');
  const fits = wordsAt(row, 'fits');
  const barred = wordsAt(row, 'barred_by');
  return {
    ...{ way, cost, code: textAt(row, 'row') || textAt(row, 'code'), label: textAt(row, 'label') },
    fits: PART_KINDS.filter((kind) => fits.includes(kind)),
    life: numberAt(row, 'life') || 20,
    rebate: Math.min(100, numberAt(row, 'rebate') ?? 0),
    rebateCap: numberAt(row, 'rebate_cap') || Infinity,
    // A table has no blanks: nothing added is not said.
    adds: numberAt(row, 'adds') || null,
    uThen: numberAt(row, 'u_then') || null,
    saves: numberAt(row, 'saves') || null,
    maker: efficiency
      ? {
          efficiency: efficiency / 100,
          fuel: {
            name: fuel,
            price: numberAt(row, 'fuel_price') ?? 0,
            emission: numberAt(row, 'fuel_emission') ?? 0,
          },
        }
      : null,
    barredBy: DANGERS.filter((danger) => barred.includes(danger)),
    programmes: wordsAt(row, 'programmes'),
  };
}

/** Where a measure is taken up: a part by its place among the rows, or a thing of the house. */
export type Where = { readonly part: number } | { readonly thing: Thing };

export const isSamePlace = (a: Where, b: Where): boolean =>
  'part' in a ? 'part' in b && a.part === b.part : 'thing' in b && a.thing === b.thing;

export interface Taken {
  readonly measure: Measure;
  readonly where: Where;
  /** m² of the part it is for; 1 for the house. */
  readonly size: number;
  readonly isDone: boolean;
}

export const costOf = ({ measure, size }: Pick<Taken, 'measure' | 'size'>): number =>
  measure.cost * size;

/** What the programme gives back for one measure, before its cap on all. */
export const rebateOf = (taken: Pick<Taken, 'measure' | 'size'>): number =>
  Math.min(taken.measure.rebateCap, (costOf(taken) * taken.measure.rebate) / 100);

/** The U-value of a part once something was done to it: never worse than it was. */
export const uAfter = (u: number, { adds, uThen }: Measure): number =>
  Math.min(u, uThen ?? 1 / (1 / u + (adds ?? 0)));

/** Whether it is for a part of this kind and would better it. */
export const betters = (measure: Measure, { kind, u }: HousePart): boolean =>
  measure.way === 'shell' && measure.fits.includes(kind) && uAfter(u, measure) < u - 1e-9;

/** The house once a measure is taken up. */
export function houseAfter(
  house: House,
  { measure, where }: Pick<Taken, 'measure' | 'where'>,
): House {
  if ('part' in where)
    return {
      ...house,
      parts: house.parts.map((part, at) =>
        at === where.part ? { ...part, u: uAfter(part.u, measure) } : part,
      ),
    };
  const left = 1 - Math.min(100, measure.saves ?? 0) / 100;
  switch (where.thing) {
    case 'air':
      return { ...house, flow50: house.flow50 === null ? null : house.flow50 * left };
    case 'heat':
      return { ...house, heating: measure.maker ?? house.heating };
    case 'water':
      return house.water
        ? { ...house, water: { ...house.water, ...measure.maker, need: house.water.need * left } }
        : house;
    case 'base':
      return house.base
        ? { ...house, base: { ...house.base, need: house.base.need * left } }
        : house;
  }
}

/** Which of the things a measure for the house is for. */
export const thingOf = ({ way }: Measure): Thing | null =>
  THINGS.find((thing) => thing === way) ?? null;
