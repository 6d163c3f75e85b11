import type { UnitSystem } from '@ant-trail/core/measure';
import { useSyncExternalStore } from 'react';

const KEY = 'ant-trail.units';
const listeners = new Set<() => void>();

const read = (): UnitSystem => (localStorage.getItem(KEY) === 'US' ? 'US' : 'SI');

/** The units this person reads and enters values in; what is stored stays as it was entered. */
export const useUnitSystem = (): UnitSystem =>
  useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, read);

export function chooseUnitSystem(system: UnitSystem): void {
  localStorage.setItem(KEY, system);
  for (const listener of listeners) listener();
}
