import type { FunctionOffer } from '../logic/index.ts';
export { sayReckoned } from './say-reckoned.ts';
import { MORE_KITS } from './more-kits.ts';
import type { KnownKit, TradeKit } from './kit.ts';

export type {
  KitTells,
  KnownKit,
  LeftFact,
  Reckoned,
  Reckoning,
  ResultOffer,
  SheetAnswers,
  ToldFact,
  TradeKit,
} from './kit.ts';

/** Every kit there is, one line each. */
export const KITS: readonly KnownKit[] = [
  {
    ...{ key: 'electrical', name: 'Electrical circuits' },
    functions: [
      ...['loopLimit', 'loopImpedance', 'faultCurrent', 'tripLimit', 'ringCross'],
      ...['conductorResistance', 'cableCapacity', 'groupingFactor', 'ambientFactor'],
      ...['voltageDrop', 'laidCapacity', 'deviceLimit', 'residualLimit'],
    ],
    load: async () => (await import('./electrical/index.ts')).ELECTRICAL,
  },
  {
    ...{ key: 'alarm', name: 'Alarm systems' },
    functions: ['standbyCapacity', 'standbyHours', 'batteryLeft'],
    load: async () => (await import('./alarm/index.ts')).ALARM,
  },
  {
    ...{ key: 'energy', name: 'Energy' },
    functions: [
      ...['airChanges', 'ventilation', 'flowAt', 'leakageArea', 'uValue', 'bridgedLayer'],
      ...['conductionSaving', 'gainUse', 'loanPayment', 'netPresentValue', 'paybackYears'],
    ],
    load: async () => (await import('./energy/index.ts')).ENERGY,
  },
  {
    ...{ key: 'bolting', name: 'Bolted joints', functions: ['boltTorque', 'stressArea'] },
    load: async () => (await import('./bolting/index.ts')).BOLTING,
  },
  {
    ...{ key: 'property', name: 'Property reports', functions: [] },
    load: async () => (await import('./property/index.ts')).PROPERTY,
  },
  ...MORE_KITS,
];

const loaded = new Map<string, TradeKit>();

/** The kits a template needs: the one it names, and those whose functions it calls. */
export function kitsNeeded(template: unknown): readonly KnownKit[] {
  const text = JSON.stringify(template) ?? '';
  const named = (template as { kit?: unknown } | null)?.kit;
  return KITS.filter(
    ({ key, functions }) =>
      key === named || functions.some((name) => new RegExp(`\\b${name}\\s*\\(`).test(text)),
  );
}

/** Brings what a template needs; afterwards it can be planned. */
export async function loadKitsFor(template: unknown): Promise<void> {
  await Promise.all(kitsNeeded(template).map(load));
}

export async function loadAllKits(): Promise<void> {
  await Promise.all(KITS.map(load));
}

async function load({ key, load: bring }: KnownKit): Promise<void> {
  if (!loaded.has(key)) loaded.set(key, await bring());
}

export const areKitsLoaded = (template: unknown): boolean =>
  kitsNeeded(template).every(({ key }) => loaded.has(key));

/** The kits of a template, as far as they are loaded. */
export const kitsOf = (template: unknown): readonly TradeKit[] =>
  kitsNeeded(template).flatMap(({ key }) => loaded.get(key) ?? []);

/** Kits that are loaded and reckon over a whole sheet: these a template has to name. */
export const reckoningKits = (): readonly TradeKit[] =>
  [...loaded.values()].filter(({ reckoning }) => reckoning !== undefined);

/** What all loaded kits add to expressions. */
export const loadedFunctions = (): readonly FunctionOffer[] =>
  [...loaded.values()].flatMap(({ functions }) => functions);

/** The kit a template names, where its code is there. */
export const namedKit = (template: { readonly kit?: string }): TradeKit | null =>
  (template.kit === undefined ? undefined : loaded.get(template.kit)) ?? null;
