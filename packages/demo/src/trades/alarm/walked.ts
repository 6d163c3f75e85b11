import { addDays } from '@ant-trail/core/calendar';
import type { Shape, SketchValue } from '@ant-trail/core/log';
import type { Chance } from '../../chance.ts';
import type { Given } from '../given.ts';

interface Hanging {
  readonly zone: string;
  readonly kind: string;
  readonly word: string;
  readonly on: (typeof FLOORS)[number]['name'];
  /** Where each of them hangs on its plan, in percent from the left and from the top. */
  readonly at: readonly (readonly [x: number, y: number])[];
}

const wall = (from: readonly [number, number], to: readonly [number, number]): Shape => ({
  ...{ kind: 'line', from, to },
});
/** The walls around a floor. */
const AROUND: readonly Shape[] = [
  wall([0.03, 0.05], [0.97, 0.05]),
  wall([0.97, 0.05], [0.97, 0.75]),
  wall([0.97, 0.75], [0.03, 0.75]),
  wall([0.03, 0.75], [0.03, 0.05]),
];
const words = (x: number, y: number, said: string): Shape => ({
  ...{ kind: 'text', at: [x, y], words: said },
});

/** The floors of a house, as an inspector draws them. */
const FLOORS = [
  {
    name: 'Ground floor',
    drawn: [
      wall([0.03, 0.24], [0.97, 0.24]),
      ...[wall([0.59, 0.32], [0.97, 0.32]), wall([0.59, 0.32], [0.59, 0.75])],
      wall([0.59, 0.61], [0.97, 0.61]),
      words(0.63, 0.38, 'Kitchen'),
    ],
  },
  { name: 'Upper floor', drawn: [wall([0.03, 0.39], [0.97, 0.39]), words(0.06, 0.44, 'Ward')] },
] as const;

/** What hangs in each zone of a house. */
const ZONES: readonly Hanging[] = [
  {
    ...{ zone: 'Ground floor', kind: 'smoke', word: 'Smoke', on: 'Ground floor' },
    at: [
      ...([18, 39, 61] as const).map((x) => [x, 17] as const),
      [14, 45],
      [39, 45],
      [14, 70],
      [39, 70],
    ],
  },
  {
    ...{ zone: 'Ground floor', kind: 'call', word: 'Call point', on: 'Ground floor' },
    at: [
      [9, 87],
      [86, 17],
    ],
  },
  {
    ...{ zone: 'Upper floor', kind: 'smoke', word: 'Smoke', on: 'Upper floor' },
    at: [18, 39, 61, 82].flatMap((x) => [[x, 22] as const, [x, 64] as const]),
  },
  {
    ...{ zone: 'Kitchen', kind: 'heat', word: 'Heat', on: 'Ground floor' },
    at: [
      [84, 60],
      [69, 68],
    ],
  },
  { ...{ zone: 'Stairs', kind: 'call', word: 'Call point', on: 'Ground floor' }, at: [[67, 85]] },
  {
    ...{ zone: 'Upper stairs', kind: 'call', word: 'Call point', on: 'Upper floor' },
    at: [[14, 85]],
  },
  { ...{ zone: 'Stairs', kind: 'horn', word: 'Horn', on: 'Ground floor' }, at: [[86, 85]] },
  {
    ...{ zone: 'Upper stairs', kind: 'horn', word: 'Horn', on: 'Upper floor' },
    at: [
      [35, 85],
      [56, 85],
    ],
  },
];

export interface Inspection {
  /** How many of its devices were tried, 0 to 1. */
  readonly until?: number;
  /** The day it was, and how often a year somebody comes. */
  readonly day: string;
  readonly visits?: 'once' | 'twice';
  /** What is left of the battery, of 1. */
  readonly battery: number;
  /** The device that did not answer, by its place among all. */
  readonly silent?: number;
}

/** What an inspector enters at a house with one panel and devices in four zones. */
export function inspectionOf(
  chance: Chance,
  { until = 1, battery, silent, day, visits = 'once' }: Inspection,
): Given[] {
  const given: Given[] = [
    { path: 'inspected', value: day },
    { path: 'visits', value: visits },
    { path: 'standby', value: Math.round(chance.between(0.2, 0.26) * 1000) / 1000, unit: 'A' },
    { path: 'alarm', value: Math.round(chance.between(1.4, 1.9) * 1000) / 1000, unit: 'A' },
    { path: 'battery', value: 17, unit: 'A.h' },
    { path: 'battery_measured', value: Math.round(170 * battery) / 10, unit: 'A.h' },
    { path: 'switched_off/o1', value: { order: 1, name: 'Doors of the lift' } },
    { path: 'switched_off/o1/off_at', value: '08:10' },
    ...(until === 1 ? [{ path: 'switched_off/o1/on_again', value: 'yes' }] : []),
  ];
  FLOORS.forEach(({ name, drawn }, at) => {
    const plan: SketchValue = { height: 0.8, shapes: [...AROUND, ...drawn] };
    given.push(
      { path: `plans/w${at + 1}`, value: { order: at + 1, name } },
      { path: `plans/w${at + 1}/floor_plan`, value: plan },
    );
  });
  const devices = ZONES.flatMap(({ zone, kind, word, on, at: places }) =>
    places.map((place, at) => ({
      ...{ zone, kind, on, place },
      name: `${word} ${at + 1}, ${zone.toLowerCase()}`,
    })),
  );
  devices.forEach(({ zone, kind, name, on, place: [x, y] }, at) => {
    const path = `devices/d${at + 1}`;
    given.push(
      { path, value: { order: at + 1, name } },
      { path: `${path}/zone`, value: zone },
      { path: `${path}/device_kind`, value: kind },
      { path: `${path}/mark_on`, value: on },
      { path: `${path}/mark_x`, value: x, unit: '%' },
      { path: `${path}/mark_y`, value: y, unit: '%' },
      ...(visits === 'twice'
        ? [{ path: `${path}/tried_on`, value: addDays(day, at % 2 === 0 ? -150 : -340) }]
        : []),
    );
    const isLater = visits === 'twice' && at % 2 === 0;
    if (isLater || at >= devices.length * until) return;
    given.push({ path: `${path}/tried`, value: at === silent ? 'not' : 'done' });
    if (kind === 'smoke') given.push({ path: `${path}/clean`, value: 'yes' });
  });
  if (until === 1) given.push({ path: 'alarm_at', value: `${day}T11:20` });
  if (until === 1)
    ['s1', 's2', 's3', 's4'].forEach((row, at) => {
      const path = `signals/${row}`;
      const took = Math.round(chance.between(at === 1 ? 22 : 2, at === 1 ? 41 : 8) * 10) / 10;
      given.push(
        { path: `${path}/followed`, value: 'done' },
        { path: `${path}/took`, value: took, unit: 's' },
      );
    });
  return given;
}
