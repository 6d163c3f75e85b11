import type { Chance } from '../../chance.ts';
import type { Given } from '../given.ts';

/** What hangs in each zone of a house: kind, and how many of it. */
const ZONES: readonly (readonly [zone: string, kind: string, word: string, many: number])[] = [
  ['Ground floor', 'smoke', 'Smoke', 7],
  ['Ground floor', 'call', 'Call point', 2],
  ['Upper floor', 'smoke', 'Smoke', 8],
  ['Kitchen', 'heat', 'Heat', 2],
  ['Stairs', 'call', 'Call point', 2],
  ['Stairs', 'horn', 'Horn', 3],
];

export interface Inspection {
  /** How many of its devices were tried, 0 to 1. */
  readonly until?: number;
  /** What is left of the battery, of 1. */
  readonly battery: number;
  /** The device that did not answer, by its place among all. */
  readonly silent?: number;
}

/** What an inspector enters at a house with one panel and devices in four zones. */
export function inspectionOf(chance: Chance, { until = 1, battery, silent }: Inspection): Given[] {
  const given: Given[] = [
    { path: 'standby', value: Math.round(chance.between(0.2, 0.26) * 1000) / 1000, unit: 'A' },
    { path: 'alarm', value: Math.round(chance.between(1.4, 1.9) * 1000) / 1000, unit: 'A' },
    { path: 'battery', value: 17, unit: 'A.h' },
    { path: 'battery_measured', value: Math.round(170 * battery) / 10, unit: 'A.h' },
    { path: 'switched_off/o1', value: { order: 1, name: 'Doors of the lift' } },
    { path: 'switched_off/o1/off_at', value: '08:10' },
    ...(until === 1 ? [{ path: 'switched_off/o1/on_again', value: 'yes' }] : []),
  ];
  const devices = ZONES.flatMap(([zone, kind, word, many]) =>
    Array.from({ length: many }, (_, at) => ({
      zone,
      kind,
      name: `${word} ${at + 1}, ${zone.toLowerCase()}`,
    })),
  );
  devices.forEach(({ zone, kind, name }, at) => {
    const path = `devices/d${at + 1}`;
    given.push(
      { path, value: { order: at + 1, name } },
      { path: `${path}/zone`, value: zone },
      { path: `${path}/device_kind`, value: kind },
    );
    if (at >= devices.length * until) return;
    given.push({ path: `${path}/tried`, value: at === silent ? 'not' : 'done' });
    if (kind === 'smoke') given.push({ path: `${path}/clean`, value: 'yes' });
  });
  return given;
}
