import type { Catalogue, CatalogueRow } from '@ant-trail/core/catalogues';

const RATINGS = [6, 10, 16, 20, 25, 32, 40, 50, 63];

const breakers = (curve: string, from: number): CatalogueRow[] =>
  RATINGS.filter((rating) => rating >= from).map((rating) => ({
    code: `${curve}${rating}`,
    label: `${curve}${rating} breaker`,
    fields: { curve, rating, breaking: 6 },
  }));

const devices: Catalogue = {
  key: 'protective_devices',
  name: 'Protective devices',
  columns: [
    { key: 'curve', label: 'curve', kind: 'text' },
    { key: 'rating', label: 'A', kind: 'number' },
    { key: 'breaking', label: 'kA', kind: 'number' },
  ],
  rows: [
    ...[...breakers('B', 6), ...breakers('C', 6), ...breakers('D', 10)],
    ...[6, 10, 16, 20, 25, 32, 40, 50, 63, 80, 100].map((rating) => ({
      code: `gG${rating}`,
      label: `gG ${rating} A fuse`,
      fields: { curve: 'gG', rating, breaking: 50 },
    })),
  ],
};

const residual: Catalogue = {
  key: 'residual_devices',
  name: 'Residual current devices',
  columns: [
    { key: 'type', label: 'type', kind: 'text' },
    { key: 'milliamps', label: 'mA', kind: 'number' },
  ],
  rows: [
    ...(['A', 'AC', 'F', 'B'] as const).map((type) => ({ type, milliamps: 30 })),
    ...(['A', 'AC'] as const).flatMap((type) =>
      [100, 300].map((milliamps) => ({ type, milliamps })),
    ),
  ].map(({ type, milliamps }) => ({
    code: `${type}-${milliamps}`,
    label: `${milliamps} mA, type ${type}`,
    fields: { type, milliamps },
  })),
};

/** Flat twin and earth as it is made: line and earth conductor in mm². */
const SIZES = [
  [1, 1],
  [1.5, 1],
  [2.5, 1.5],
  [4, 1.5],
  [6, 2.5],
  [10, 4],
  [16, 6],
] as const;

const cables: Catalogue = {
  key: 'cables',
  name: 'Flat cables',
  columns: [
    { key: 'line', label: 'mm²', kind: 'number' },
    { key: 'earth', label: 'mm² earth', kind: 'number' },
  ],
  rows: SIZES.map(([line, earth]) => ({
    code: `${line}/${earth}`,
    label: `${line} / ${earth} mm²`,
    fields: { line, earth },
  })),
};

/** What a certificate of the demo looks up. */
export const CIRCUIT_LISTS: readonly Catalogue[] = [devices, residual, cables];
