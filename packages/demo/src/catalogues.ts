import type { Catalogue, CatalogueRow } from '@ant-trail/core/catalogues';
import { ENERGY_LISTS } from './trades/energy/lists.ts';
import { PROPERTY_LISTS } from './trades/property/lists.ts';
import { CIRCUIT_LISTS } from './trades/electrical/lists.ts';

/** What lies in the huts' provision lockers: name, group, how many fit a shelf, how many belong there, price. */
const PROVISIONS: readonly (readonly [string, string, number, number, number])[] = [
  ['Oats, 500 g', 'dry food', 12, 8, 2.4],
  ['Barley flakes, 500 g', 'dry food', 12, 6, 2.2],
  ['Rice, 1 kg', 'dry food', 10, 8, 3.1],
  ['Lentils, red, 500 g', 'dry food', 12, 8, 2.8],
  ['Pasta, short, 500 g', 'dry food', 14, 10, 1.9],
  ['Flatbread, 12 pieces', 'dry food', 10, 8, 3.6],
  ['Potato flakes, 400 g', 'dry food', 10, 6, 2.7],
  ['Kelp crackers', 'dry food', 16, 12, 2.1],
  ['Pea soup, tin', 'tins', 18, 12, 2.9],
  ['Bean stew, tin', 'tins', 18, 12, 3.2],
  ['Mackerel in oil, tin', 'tins', 24, 16, 3.4],
  ['Sardines, tin', 'tins', 24, 16, 2.6],
  ['Tomatoes, tin', 'tins', 18, 12, 1.8],
  ['Pears in juice, tin', 'tins', 18, 8, 2.5],
  ['Rowan jam', 'spreads', 12, 6, 4.2],
  ['Hazelnut paste', 'spreads', 12, 6, 4.9],
  ['Hard cheese, 300 g', 'cold shelf', 10, 6, 6.8],
  ['Smoked sausage', 'cold shelf', 12, 8, 5.4],
  ['Butter, 250 g', 'cold shelf', 10, 6, 3.9],
  ['Long-life milk, 1 l', 'drinks', 12, 10, 1.7],
  ['Apple juice, 1 l', 'drinks', 12, 8, 2.3],
  ['Coffee, ground, 250 g', 'drinks', 10, 8, 4.8],
  ['Black tea, 40 bags', 'drinks', 10, 6, 2.9],
  ['Rosehip tea, 40 bags', 'drinks', 10, 6, 3.1],
  ['Cocoa, 250 g', 'drinks', 8, 4, 3.7],
  ['Chocolate, dark', 'sweet', 30, 20, 2.2],
  ['Chocolate, milk', 'sweet', 30, 20, 2.2],
  ['Oat biscuits', 'sweet', 20, 12, 2.6],
  ['Dried apples, 150 g', 'sweet', 16, 10, 3.0],
  ['Nuts and raisins, 200 g', 'sweet', 20, 14, 3.8],
  ['Candles, 6 pieces', 'house', 8, 4, 4.5],
  ['Matches, 10 boxes', 'house', 10, 6, 1.5],
  ['Gas cartridge, 450 g', 'house', 12, 8, 9.5],
  ['Dish soap, 500 ml', 'house', 6, 3, 2.4],
  ['Paper towels, 4 rolls', 'house', 6, 4, 3.2],
  ['Plasters and bandage', 'house', 6, 4, 5.9],
];

const provisions: Catalogue = {
  key: 'provisions',
  name: 'Provisions',
  columns: [
    { key: 'group', label: 'Group', kind: 'text' },
    { key: 'capacity', label: 'fits', kind: 'number' },
    { key: 'par', label: 'belongs', kind: 'number' },
    { key: 'price', label: 'price', kind: 'number' },
  ],
  rows: PROVISIONS.map(([label, group, capacity, par, price], index) => ({
    code: `PR-${String(101 + index)}`,
    label,
    fields: { group, capacity, par, price },
  })),
};

const MACHINES = ['Drive', 'Brake', 'Sheave', 'Gripper', 'Winch', 'Turbine', 'Weir', 'Gate'];
const PIECES: readonly (readonly [string, string, number])[] = [
  ['bearing', 'mm', 12],
  ['shaft seal', 'mm', 8],
  ['lining', 'mm', 10],
  ['hose', 'mm', 6],
  ['bolt', 'mm', 5],
  ['filter', 'µm', 4],
  ['spring', 'mm', 7],
  ['switch', 'A', 2],
  ['contactor', 'A', 3],
  ['fuse', 'A', 1],
];
const SIZES = 38;

/** Every size of every piece of every machine: as long as a real store's list. */
const parts: Catalogue = {
  key: 'parts',
  name: 'Spare parts',
  columns: [
    { key: 'size', label: 'size', kind: 'text' },
    { key: 'shelf', label: 'shelf', kind: 'text' },
    { key: 'in_store', label: 'in store', kind: 'number' },
  ],
  rows: MACHINES.flatMap((machine, m) =>
    PIECES.flatMap(([piece, unit, step], p) =>
      Array.from({ length: SIZES }, (_, s): CatalogueRow => {
        const size = `${step * (s + 1)} ${unit}`;
        return {
          code: `${machine.slice(0, 2).toUpperCase()}${p}-${String(s + 1).padStart(3, '0')}`,
          label: `${machine} ${piece} ${size}`,
          fields: {
            size,
            shelf: `${String.fromCharCode(65 + m)}${p + 1}`,
            in_store: (m * 7 + p * 5 + s * 3) % 9,
          },
        };
      }),
    ),
  ),
};

const FAULTS: readonly (readonly [string, string, string])[] = [
  ['H01', 'Runs hot', 'Let it cool, then measure again'],
  ['H02', 'Vibrates', 'Measure at the bearing'],
  ['H03', 'Leaks oil', 'Bind it and find the seal'],
  ['H04', 'Leaks water', 'Close the valve before it'],
  ['H05', 'Noise under load', 'Run it without load to compare'],
  ['E01', 'No voltage', 'Look at the fuse before the board'],
  ['E02', 'Trips at once', 'Measure the insulation'],
  ['E03', 'Trips under load', 'Measure the current'],
  ['E04', 'Contact burnt', 'Lock it off; replace the contact'],
  ['M01', 'Stuck', 'Do not force it'],
  ['M02', 'Loose', 'Tighten to the value on the plate'],
  ['M03', 'Worn below its limit', 'Take it out of use'],
  ['M04', 'Cracked', 'Take it out of use'],
  ['W01', 'Rotten', 'Prop it and bar the way'],
  ['W02', 'Split', 'Bind it until the next round'],
];

const faults: Catalogue = {
  key: 'faults',
  name: 'Fault codes',
  columns: [{ key: 'first_step', label: 'first step', kind: 'text' }],
  rows: FAULTS.map(([code, label, step]) => ({ code, label, fields: { first_step: step } })),
};

/** The lists that answers are looked up in. */
export const CATALOGUES: readonly Catalogue[] = [
  provisions,
  parts,
  faults,
  ...CIRCUIT_LISTS,
  ...ENERGY_LISTS,
  ...PROPERTY_LISTS,
];
