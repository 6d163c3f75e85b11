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
