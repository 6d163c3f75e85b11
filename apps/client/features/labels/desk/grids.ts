import type { LabelGrid } from '@ant-trail/contract/labels';

/** A sheet of labels as it is sold, by its dimensions. */
export interface SoldGrid extends LabelGrid {
  readonly key: string;
  readonly name: string;
}

const inch = (inches: number): number => Math.round(inches * 25.4 * 100) / 100;

const a4 = (
  key: string,
  columns: number,
  rows: number,
  size: Pick<LabelGrid, 'width' | 'height' | 'left' | 'top' | 'gapX' | 'gapY'>,
): SoldGrid => ({
  ...{ key, paper: 'A4', columns, rows, ...size },
  name: `A4, ${columns} × ${rows} of ${size.width} × ${size.height} mm`,
});

const letter = (
  key: string,
  columns: number,
  rows: number,
  name: string,
  size: Pick<LabelGrid, 'width' | 'height' | 'left' | 'top' | 'gapX' | 'gapY'>,
): SoldGrid => ({
  ...{ key, paper: 'Letter', columns, rows, ...size },
  name: `Letter, ${columns} × ${rows} of ${name} in`,
});

/** Common sheets (common practice of stationers, no source); a free one stands beside them. */
export const GRIDS: readonly SoldGrid[] = [
  a4('a4-24', 3, 8, { width: 70, height: 36, left: 0, top: 4.5, gapX: 0, gapY: 0 }),
  a4('a4-21', 3, 7, { width: 63.5, height: 38.1, left: 7.25, top: 15.15, gapX: 2.5, gapY: 0 }),
  a4('a4-65', 5, 13, { width: 38.1, height: 21.2, left: 4.75, top: 10.7, gapX: 2.5, gapY: 0 }),
  a4('a4-12', 2, 6, { width: 96, height: 42.3, left: 8, top: 21.6, gapX: 2, gapY: 0 }),
  letter('letter-30', 3, 10, '2⅝ × 1', {
    ...{ width: inch(2.625), height: inch(1), left: inch(0.1875), top: inch(0.5) },
    ...{ gapX: inch(0.125), gapY: 0 },
  }),
  letter('letter-20', 2, 10, '4 × 1', {
    ...{ width: inch(4), height: inch(1), left: inch(0.15625), top: inch(0.5) },
    ...{ gapX: inch(0.1875), gapY: 0 },
  }),
  letter('letter-80', 4, 20, '1¾ × ½', {
    ...{ width: inch(1.75), height: inch(0.5), left: inch(0.3), top: inch(0.5) },
    ...{ gapX: inch(0.3), gapY: 0 },
  }),
];

/** Keeps how labels are printed here: the sheet and the printer stand beside this computer. */
const KEY = 'ant-trail-labels';

export interface PrintedSo {
  readonly key: string;
  readonly shiftX: string;
  readonly shiftY: string;
}

export function printedBefore(): PrintedSo {
  const none = { key: GRIDS[0]?.key ?? '', shiftX: '0', shiftY: '0' };
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? 'null');
    return typeof kept === 'object' && kept !== null ? { ...none, ...kept } : none;
  } catch {
    return none;
  }
}

export const keepPrinted = (so: PrintedSo): void => localStorage.setItem(KEY, JSON.stringify(so));
