/** What the questions of an energy survey are called, so that the kit finds them. */
export const PARTS = 'parts';
export const MEASURE = 'measure';
/** Whether a measure is proposed or was done today. */
export const STAND = 'stand';
/** Things of the house besides its parts that a measure can be taken up for, each with questions of its own. */
export const THINGS = ['air', 'heat', 'water', 'base'] as const;
export type Thing = (typeof THINGS)[number];
export const measureOf = (thing: Thing): string => `${thing}_${MEASURE}`;
export const standOf = (thing: Thing): string => `${thing}_${STAND}`;
/** The catalogue measures are taken from. */
export const MEASURES = 'measures';

/** Where a part of the shell lies, and how the drawing calls it. */
export const PART_KINDS = ['roof', 'wall', 'window', 'door', 'floor'] as const;
export type PartKind = (typeof PART_KINDS)[number];

/** What the sheets after a survey are told of it: what the house was, and what it shall be. */
export const AGREED = {
  volume: 'house_volume',
  changesBefore: 'changes_before',
  changesThen: 'changes_agreed',
  useBefore: 'use_before',
  useThen: 'use_agreed',
} as const;

/** Measures that are still to be done, a row each. */
export const WORKS = 'works';
export const WORK = { measure: 'work_measure', area: 'work_area', saving: 'work_saving' } as const;

/** What a check visit finds, by the keys of its questions. */
export const FOUND = { changes: 'changes_found', use: 'use_found' } as const;
