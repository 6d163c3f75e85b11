import type { Catalogue, CatalogueColumn, CatalogueRow } from '@ant-trail/core/catalogues';

const text = (key: string, label: string): CatalogueColumn => ({ key, label, kind: 'text' });
const number = (key: string, label: string): CatalogueColumn => ({ key, label, kind: 'number' });

/** Where the weather of the island is written down: means of each month, and sun on a standing surface. */
const stations: Catalogue = {
  key: 'stations',
  name: 'Weather stations',
  columns: [
    number('degree_days', 'K·d'),
    text('temperatures', '°C, January to December'),
    ...['south', 'side', 'north'].map((facing) => text(`sun_${facing}`, `kWh/m², ${facing}`)),
  ],
  rows: (
    [
      ['harbour', 'Harbour mole', 2640, 0],
      ['saddle', 'Saddle', 3310, -2.2],
      ['crater', 'Crater rim', 4280, -5.1],
    ] as const
  ).map(([code, label, degreeDays, colder]) => ({
    ...{ code, label },
    fields: {
      degree_days: degreeDays,
      temperatures: [4.1, 4, 5.2, 7, 9.8, 12.6, 14.5, 14.7, 12.8, 9.9, 6.9, 4.9]
        .map((warm) => (warm + colder).toFixed(1))
        .join(' '),
      sun_south: '28 42 66 78 80 76 80 82 74 54 34 24',
      sun_side: '12 22 42 60 74 76 78 66 48 30 15 10',
      sun_north: '7 12 20 31 42 46 44 34 23 14 8 6',
    },
  })),
};

const fuels: Catalogue = {
  key: 'fuels',
  name: 'Fuels',
  columns: [number('price', 'a kWh'), number('emission', 'kg CO₂ a kWh')],
  rows: (
    [
      ['oil', 'Heating oil', 0.13, 0.27],
      ['peat', 'Peat bricks', 0.08, 0.38],
      ['wood', 'Split wood', 0.07, 0.02],
      ['power', 'Electricity', 0.28, 0.06],
    ] as const
  ).map(([code, label, price, emission]) => ({ code, label, fields: { price, emission } })),
};

const grants: Catalogue = {
  key: 'grants',
  name: 'Grants',
  columns: [
    ...[number('target', '% to save'), number('cap', 'given back at most')],
    ...[number('discount', '% discount'), number('interest', '% interest')],
    ...[number('months', 'months'), text('method', 'counted by'), text('order', 'order')],
  ],
  rows: [
    {
      ...{ code: 'winter', label: 'Winter grant of the Assembly' },
      fields: {
        ...{ target: 30, cap: 6000, discount: 2, interest: 3.5, months: 120 },
        ...{ method: 'months', order: 'shell air heat water base' },
      },
    },
    {
      ...{ code: 'guild', label: 'House book of the guild' },
      fields: {
        ...{ target: 20, cap: 2500, discount: 3, interest: 4.5, months: 60 },
        ...{ method: 'degree days', order: 'air shell heat water base' },
      },
    },
  ],
};

/** Layers as they are met on the island: W/(m·K). */
const materials: Catalogue = {
  key: 'materials',
  name: 'Materials',
  columns: [number('conductivity', 'W/(m·K)')],
  rows: (
    [
      ['basalt', 'Basalt, laid', 1.7],
      ['tuff', 'Tuff blocks', 0.55],
      ['plaster', 'Lime plaster', 0.7],
      ['timber', 'Timber', 0.13],
      ['cork', 'Cork board', 0.042],
      ['wool', 'Sheep’s wool', 0.038],
      ['reed', 'Reed board', 0.056],
      ['screed', 'Screed', 1.35],
    ] as const
  ).map(([code, label, conductivity]) => ({ code, label, fields: { conductivity } })),
};

const measure = (
  code: string,
  label: string,
  fields: Readonly<Record<string, string | number>>,
): CatalogueRow => ({ code, label, fields });

/** What may be done to a house, what it costs and what is given back. */
const measures: Catalogue = {
  key: 'measures',
  name: 'Measures',
  columns: [
    ...[text('way', 'saves by'), text('fits', 'for'), number('cost', 'each m², or for all')],
    ...[number('life', 'years'), number('rebate', '% back'), number('rebate_cap', 'back at most')],
    ...[number('adds', 'm²·K/W'), number('u_then', 'W/(m²·K) then'), number('saves', '% less')],
    ...[number('efficiency', '% efficiency'), text('fuel', 'fuel')],
    ...[number('fuel_price', 'a kWh'), number('fuel_emission', 'kg CO₂ a kWh')],
    ...[text('barred_by', 'not with'), text('programmes', 'only for')],
  ],
  rows: [
    measure('loft-30', 'Wool in the loft, 300 mm', {
      ...{ way: 'shell', fits: 'roof', cost: 42, life: 40, rebate: 35, adds: 7.5 },
      barred_by: 'wiring',
    }),
    measure('loft-16', 'Wool in the loft, 160 mm', {
      ...{ way: 'shell', fits: 'roof', cost: 28, life: 40, rebate: 25, adds: 4.1 },
      barred_by: 'wiring',
    }),
    measure('wall-cork', 'Cork outside, 120 mm', {
      ...{ way: 'shell', fits: 'wall', cost: 128, life: 40, rebate: 30, adds: 2.85 },
    }),
    measure('wall-reed', 'Reed inside, 60 mm', {
      ...{ way: 'shell', fits: 'wall', cost: 74, life: 30, rebate: 20, adds: 1.05 },
      barred_by: 'mould asbestos',
    }),
    measure('floor-wool', 'Wool between the joists', {
      ...{ way: 'shell', fits: 'floor', cost: 39, life: 40, rebate: 30, adds: 3.4 },
      barred_by: 'asbestos',
    }),
    measure('window-two', 'Second sash', {
      ...{ way: 'shell', fits: 'window', cost: 210, life: 25, rebate: 20, u_then: 1.7 },
    }),
    measure('window-three', 'New window, three panes', {
      ...{ way: 'shell', fits: 'window', cost: 620, life: 30, rebate: 25, u_then: 0.9 },
    }),
    measure('door', 'New door, insulated', {
      ...{ way: 'shell', fits: 'door', cost: 540, life: 30, rebate: 15, u_then: 1.1 },
    }),
    measure('gaps', 'Gaps sealed', {
      ...{ way: 'air', cost: 680, life: 15, rebate: 50, rebate_cap: 300, saves: 35 },
      barred_by: 'combustion mould',
    }),
    measure('pump', 'Heat pump, outside air', {
      ...{ way: 'heat', cost: 11_800, life: 18, rebate: 40, rebate_cap: 4500, efficiency: 290 },
      ...{ fuel: 'Electricity', fuel_price: 0.28, fuel_emission: 0.06 },
    }),
    measure('wood-stove', 'Wood boiler', {
      ...{ way: 'heat', cost: 8200, life: 20, rebate: 30, rebate_cap: 2500, efficiency: 88 },
      ...{ fuel: 'Split wood', fuel_price: 0.07, fuel_emission: 0.02 },
      barred_by: 'combustion',
    }),
    measure('tank', 'Tank and pipes wrapped', {
      ...{ way: 'water', cost: 190, life: 20, rebate: 50, saves: 18 },
    }),
    measure('lamps', 'Lamps and standby', {
      ...{ way: 'base', cost: 160, life: 10, rebate: 30, saves: 14 },
      programmes: 'winter',
    }),
  ],
};

/** What a survey of the demo looks up. */
export const ENERGY_LISTS: readonly Catalogue[] = [stations, fuels, grants, materials, measures];
