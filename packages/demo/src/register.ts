import type { Chance } from './chance.ts';

/** What hangs in a hut or a hall, as its alarm panel knows it. */
const ALARM_DEVICES = [
  'Call point, porch',
  'Heat detector, stove',
  'Horn, stairs',
  'Smoke detector, attic',
  'Smoke detector, bunk room',
  'Smoke detector, hall',
  'Smoke detector, kitchen',
  'Smoke detector, store',
] as const;

export interface DemoAsset {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
}

/** The alarm devices of one house: not every house has all of them. */
export const alarmDevices = (chance: Chance): DemoAsset[] =>
  ALARM_DEVICES.filter((name) => name.includes('hall') || chance.happens(0.8)).map((name) => ({
    id: chance.uuid(),
    kind: 'alarm device',
    name,
  }));
