import type { Chance } from '../../chance.ts';
import type { Given } from '../given.ts';
import { lookUpIn } from '../looked-up.ts';
import { ENERGY_LISTS } from './lists.ts';

const lookUp = lookUpIn(ENERGY_LISTS);

interface Part {
  readonly name: string;
  readonly kind: string;
  readonly area: number;
  readonly borders: string;
  readonly faces?: string;
  /** Material, mm and the share of timber in it. */
  readonly layers?: readonly (readonly [material: string, thick: number, between?: number])[];
  readonly u?: number;
  readonly measure?: string;
}

/** A house of laid basalt with a loft, as many on the island. */
const PARTS: readonly Part[] = [
  {
    ...{ name: 'Wall to the sea', kind: 'wall', area: 38, borders: 'outside' },
    layers: [
      ['plaster', 20],
      ['basalt', 480],
    ],
    measure: 'wall-cork',
  },
  {
    ...{ name: 'Wall to the lane', kind: 'wall', area: 34, borders: 'outside' },
    layers: [
      ['plaster', 20],
      ['tuff', 360],
    ],
  },
  {
    ...{ name: 'Ceiling under the loft', kind: 'roof', area: 64, borders: 'unheated' },
    layers: [
      ['timber', 24],
      ['wool', 60, 12],
    ],
    measure: 'loft-30',
  },
  {
    ...{ name: 'Floor', kind: 'floor', area: 62, borders: 'ground' },
    layers: [
      ['screed', 60],
      ['timber', 30],
    ],
  },
  {
    name: 'Windows to the sea',
    kind: 'window',
    area: 7.2,
    borders: 'outside',
    faces: 'south',
    u: 2.9,
  },
  {
    name: 'Windows to the lane',
    kind: 'window',
    area: 4.4,
    borders: 'outside',
    faces: 'north',
    u: 4.8,
    measure: 'window-two',
  },
  { name: 'Door', kind: 'door', area: 2.1, borders: 'outside', u: 3.2 },
];

export interface HouseWalk {
  readonly grant: string;
  readonly station: string;
  readonly fuel: string;
  /** How far the surveyor has come, 0 to 1. */
  readonly until?: number;
}

/** What a surveyor enters in a house, and what is taken up there. */
export function surveyWalked(
  chance: Chance,
  { grant, station, fuel, until = 1 }: HouseWalk,
): Given[] {
  const size = chance.between(0.85, 1.2);
  const of = (area: number): number => Math.round(area * size * 10) / 10;
  const given: Given[] = [
    { path: 'grant', value: lookUp('grants', grant) },
    { path: 'floor_area', value: of(112), unit: 'm2' },
    { path: 'room_height', value: 2.35, unit: 'm' },
    { path: 'bedrooms', value: 3, unit: '1' },
    { path: 'built', value: Math.round(chance.between(1890, 1950)), unit: '1' },
    { path: 'station', value: lookUp('stations', station) },
    { path: 'heat_fuel', value: lookUp('fuels', fuel) },
    { path: 'heat_efficiency', value: Math.round(chance.between(68, 82)), unit: '%' },
    { path: 'arrives', value: 88 },
    { path: 'water_fuel', value: lookUp('fuels', 'power') },
    { path: 'water_need', value: 2800, unit: 'kW.h' },
    { path: 'water_efficiency', value: 92, unit: '%' },
    { path: 'base_fuel', value: lookUp('fuels', 'power') },
    { path: 'base_load', value: Math.round(chance.between(2100, 3100)), unit: 'kW.h' },
    { path: 'draught', value: 'yes' },
    { path: 'monoxide', value: 2, unit: '[ppm]' },
    { path: 'gas_leak', value: 'no' },
    { path: 'mould', value: 'no' },
    { path: 'asbestos', value: 'no' },
    { path: 'old_wiring', value: 'no' },
  ];
  PARTS.slice(0, Math.ceil(PARTS.length * until)).forEach((part, at) =>
    given.push(...partOf(part, at + 1, of(part.area), until === 1)),
  );
  if (until < 1) return given;
  const leaks = chance.between(150, 190);
  const exponent = chance.between(0.62, 0.68);
  [60, 50, 40, 30, 20].forEach((pressure, at) => {
    const path = `pressure_points/p${at + 1}`;
    const flow = leaks * pressure ** exponent * chance.between(0.985, 1.015);
    given.push(
      { path, value: { order: at + 1, name: `${pressure} Pa` } },
      { path: `${path}/pressure`, value: pressure, unit: 'Pa' },
      { path: `${path}/flow`, value: Math.round(flow), unit: 'm3/h' },
    );
  });
  return [
    ...given,
    { path: 'air_measure', value: lookUp('measures', 'gaps') },
    { path: 'air_stand', value: 'proposed' },
    { path: 'water_measure', value: lookUp('measures', 'tank') },
    { path: 'water_stand', value: 'done' },
    { path: 'word', value: 'accepts' },
  ];
}

function partOf(
  { name, kind, borders, faces, layers = [], u, measure }: Part,
  order: number,
  area: number,
  isProposed: boolean,
): Given[] {
  const path = `parts/p${order}`;
  return [
    { path, value: { order, name } },
    { path: `${path}/part_kind`, value: kind },
    { path: `${path}/area`, value: area, unit: 'm2' },
    { path: `${path}/borders`, value: borders },
    ...(faces === undefined ? [] : [{ path: `${path}/faces`, value: faces }]),
    ...layers.flatMap(([material, thick, between], at): Given[] => [
      { path: `${path}/layers/l${at + 1}`, value: { order: at + 1, name: `Layer ${at + 1}` } },
      { path: `${path}/layers/l${at + 1}/material`, value: lookUp('materials', material) },
      { path: `${path}/layers/l${at + 1}/thick`, value: thick, unit: 'mm' },
      ...(between === undefined
        ? []
        : [{ path: `${path}/layers/l${at + 1}/between`, value: between }]),
    ]),
    ...(u === undefined ? [] : [{ path: `${path}/u_known`, value: u, unit: 'W/(m2.K)' }]),
    ...(measure && isProposed
      ? [
          { path: `${path}/measure`, value: lookUp('measures', measure) },
          { path: `${path}/stand`, value: 'proposed' },
        ]
      : []),
  ];
}
