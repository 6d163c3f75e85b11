import type { EnergyKit } from './use-energy.ts';

/** What a measure takes off what is used; one that takes another fuel may add to it. */
export const saySaved = (kit: EnergyKit, saved: number): string =>
  `${saved < 0 ? '+' : '−'}${kit.sayWhole(Math.abs(saved))} kWh`;
