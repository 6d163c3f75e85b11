import { airLoss, partLoss, yearOf } from './heat.ts';
import type { House } from './dwelling.ts';
import type { PartKind } from './keys/index.ts';
import { sayWhole } from './say.ts';

/** Ways heat takes out of a house, as the drawing shows them. */
export const OUTLETS = ['roof', 'wall', 'window', 'air', 'floor'] as const;
export type Outlet = (typeof OUTLETS)[number];

export const OUTLET_NAMES: Readonly<Record<Outlet, string>> = {
  roof: 'Roof',
  wall: 'Walls',
  window: 'Windows, doors',
  air: 'Air through gaps',
  floor: 'Floor',
};

export const outletOf = (kind: PartKind): Outlet => (kind === 'door' ? 'window' : kind);

/** What leaves by a way now, after what it was where that differs: “5,200 → 1,900”. */
export function sayLeaving({ before, after, isKnown }: Ribbon): string {
  if (!isKnown) return 'not tested yet';
  const [was, is] = [sayWhole(before), sayWhole(after)];
  return was === is ? was : `${was} → ${is}`;
}

/** Heat that leaves by each way in a year, kWh, before what sun and people give. */
export function leaving(house: House): Readonly<Record<Outlet, number>> {
  const sums = { roof: 0, wall: 0, window: 0, air: airLoss(house), floor: 0 };
  for (const part of house.parts) sums[outletOf(part.kind)] += partLoss(part);
  const year = yearOf(house);
  return {
    roof: sums.roof * year,
    wall: sums.wall * year,
    window: sums.window * year,
    air: sums.air * year,
    floor: sums.floor * year,
  };
}

/** One way out: what leaves by it as the house stands and with what is taken up, and how that is drawn. */
export interface Ribbon {
  readonly outlet: Outlet;
  readonly before: number;
  readonly after: number;
  /** SVG paths within the drawing; as wide as what leaves. */
  readonly drawnBefore: string;
  readonly drawnAfter: string;
  /** Whether it is known at all: what goes through gaps is not before they were tested. */
  readonly isKnown: boolean;
  /** Where its words begin, left and middle. */
  readonly words: Point;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

export const DRAWING = { width: 358, height: 304 } as const;
/** The house itself: its walls, and its roof over them. */
export const HOUSE_LINES = {
  walls: 'M24 112 H124 V222 H24 Z',
  roof: 'M14 112 L74 66 L134 112 Z',
  door: 'M40 222 V186 H60 V222',
  window: 'M82 140 H108 V164 H82 Z',
} as const;

/** The widest of all; four beside each other are no higher than the wall. */
const WIDEST = 34;
const WORDS_AT = 214;
const BESIDE: readonly Outlet[] = ['wall', 'window', 'air'];

/**
 * Where the heat goes, as ribbons out of a house: each as wide as what leaves by it, all to one scale, so
 * that two houses beside each other compare where the widest is the same. Lengths are those of the drawing.
 */
export function ribbonsOf(before: House, after: House): readonly Ribbon[] {
  const was = leaving(before);
  const is = leaving(after);
  const most = Math.max(...OUTLETS.map((outlet) => was[outlet]), 1);
  const wide = (much: number): number => (much / most) * WIDEST;
  const stack = BESIDE.reduce((sum, outlet) => sum + wide(was[outlet]), 0);
  let top = 167 - stack / 2;
  const exits = new Map<Outlet, number>();
  for (const outlet of BESIDE) {
    exits.set(outlet, top + wide(was[outlet]) / 2);
    top += wide(was[outlet]);
  }
  const drawn = (outlet: Outlet, much: number): string => {
    const beside = BESIDE.indexOf(outlet);
    if (outlet === 'roof') return upright({ x: 84, y: 90 }, { x: 108, y: 4 }, wide(much));
    if (outlet === 'floor') return upright({ x: 84, y: 222 }, { x: 98, y: 300 }, wide(much));
    return across(
      { x: 124, y: exits.get(outlet) ?? 0 },
      { x: WORDS_AT - 8, y: wordsBeside(beside) },
      wide(much),
    );
  };
  return OUTLETS.map((outlet) => ({
    outlet,
    ...{ before: was[outlet], after: is[outlet] },
    drawnBefore: drawn(outlet, was[outlet]),
    drawnAfter: drawn(outlet, Math.min(is[outlet], was[outlet])),
    isKnown: outlet !== 'air' || before.flow50 !== null,
    words: wordsOf(outlet),
  }));
}

const wordsBeside = (at: number): number => 108 + at * 58;

function wordsOf(outlet: Outlet): Point {
  if (outlet === 'roof') return { x: 140, y: 30 };
  if (outlet === 'floor') return { x: 128, y: 278 };
  return { x: WORDS_AT, y: wordsBeside(BESIDE.indexOf(outlet)) };
}

const places = (...numbers: readonly number[]): string =>
  numbers.map((each) => Math.round(each * 100) / 100).join(' ');

function across(from: Point, to: Point, width: number): string {
  const half = width / 2;
  const middle = (from.x + to.x) / 2;
  return [
    `M${places(from.x, from.y - half)}`,
    `C${places(middle, from.y - half, middle, to.y - half, to.x, to.y - half)}`,
    `L${places(to.x, to.y + half)}`,
    `C${places(middle, to.y + half, middle, from.y + half, from.x, from.y + half)}Z`,
  ].join('');
}

function upright(from: Point, to: Point, width: number): string {
  const half = width / 2;
  const middle = (from.y + to.y) / 2;
  return [
    `M${places(from.x - half, from.y)}`,
    `C${places(from.x - half, middle, to.x - half, middle, to.x - half, to.y)}`,
    `L${places(to.x + half, to.y)}`,
    `C${places(to.x + half, middle, from.x + half, middle, from.x + half, from.y)}Z`,
  ].join('');
}
