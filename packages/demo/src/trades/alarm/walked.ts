import { addDays } from '@ant-trail/core/calendar';
import type { Shape, SketchValue } from '@ant-trail/core/log';
import type { Chance } from '../../chance.ts';
import type { Given } from '../given.ts';

interface Hanging {
  readonly zone: string;
  readonly kind: string;
  readonly word: string;
  /** Where each of them hangs on the plan, in percent from the left and from the top. */
  readonly at: readonly (readonly [x: number, y: number])[];
}

/** What hangs in each zone of a house. */
const ZONES: readonly Hanging[] = [
  {
    ...{ zone: 'Ground floor', kind: 'smoke', word: 'Smoke' },
    at: [
      ...([10, 20, 30] as const).map((x) => [x, 22] as const),
      [8, 48],
      [20, 48],
      [8, 72],
      [20, 72],
    ],
  },
  {
    zone: 'Ground floor',
    kind: 'call',
    word: 'Call point',
    at: [
      [6, 88],
      [42, 22],
    ],
  },
  {
    ...{ zone: 'Upper floor', kind: 'smoke', word: 'Smoke' },
    at: [60, 70, 80, 90].flatMap((x) => [[x, 26] as const, [x, 66] as const]),
  },
  {
    zone: 'Kitchen',
    kind: 'heat',
    word: 'Heat',
    at: [
      [41, 62],
      [34, 70],
    ],
  },
  {
    zone: 'Stairs',
    kind: 'call',
    word: 'Call point',
    at: [
      [33, 86],
      [58, 86],
    ],
  },
  {
    zone: 'Stairs',
    kind: 'horn',
    word: 'Horn',
    at: [
      [42, 86],
      [68, 86],
      [78, 86],
    ],
  },
];

const wall = (from: readonly [number, number], to: readonly [number, number]): Shape => ({
  ...{ kind: 'line', from, to },
});
const box = (left: number, top: number, right: number, bottom: number): Shape[] => [
  wall([left, top], [right, top]),
  wall([right, top], [right, bottom]),
  wall([right, bottom], [left, bottom]),
  wall([left, bottom], [left, top]),
];
const words = (x: number, y: number, said: string): Shape => ({
  ...{ kind: 'text', at: [x, y], words: said },
});

/** Both floors of a house side by side, as an inspector draws them. */
const PLAN: SketchValue = {
  height: 0.7,
  shapes: [
    ...[...box(0.03, 0.08, 0.47, 0.66), ...box(0.53, 0.08, 0.97, 0.66)],
    ...[...box(0.29, 0.3, 0.47, 0.54), wall([0.03, 0.24], [0.47, 0.24])],
    ...[wall([0.29, 0.54], [0.29, 0.66]), wall([0.53, 0.36], [0.97, 0.36])],
    ...[words(0.05, 0.06, 'Ground floor'), words(0.55, 0.06, 'Upper floor')],
    words(0.31, 0.36, 'Kitchen'),
  ],
};

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
  given.push({ path: 'floor_plan', value: PLAN });
  const devices = ZONES.flatMap(({ zone, kind, word, at: places }) =>
    places.map((place, at) => ({
      ...{ zone, kind, place },
      name: `${word} ${at + 1}, ${zone.toLowerCase()}`,
    })),
  );
  devices.forEach(({ zone, kind, name, place: [x, y] }, at) => {
    const path = `devices/d${at + 1}`;
    given.push(
      { path, value: { order: at + 1, name } },
      { path: `${path}/zone`, value: zone },
      { path: `${path}/device_kind`, value: kind },
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
