import type { FunctionOffer } from '../../logic/index.ts';
import type { TradeKit } from '../kit.ts';

/**
 * Air changes per hour at 50 Pa from the blower door's flow in cfm and the volume in ft³ (above
 * 0): ACH50 = CFM50 × 60 / volume. Throws a RangeError for an empty volume.
 */
export function airChanges(flow: number, volume: number): number {
  if (!(volume > 0)) throw new RangeError('The volume is above 0 ft³.');
  return (flow * 60) / volume;
}

/**
 * Ventilation a dwelling needs, in cfm, from its floor area in ft² and its bedrooms. Source:
 * ASHRAE 62.2-2016, 0.03 × area + 7.5 × (bedrooms + 1) (formula from memory).
 */
export const ventilation = (area: number, bedrooms: number): number =>
  0.03 * area + 7.5 * (bedrooms + 1);

const FUNCTIONS: readonly FunctionOffer[] = [
  {
    name: 'airChanges',
    takes: ['double', 'double'],
    gives: 'double',
    usage: 'airChanges(flow, volume)',
    about: 'Air changes per hour at 50 Pa, from cfm and ft³.',
    run: airChanges,
  },
  {
    name: 'ventilation',
    takes: ['double', 'double'],
    gives: 'double',
    usage: 'ventilation(area, bedrooms)',
    about: 'Ventilation a dwelling needs in cfm, from ft² and bedrooms (ASHRAE 62.2-2016).',
    run: ventilation,
  },
];

export const ENERGY: TradeKit = { key: 'energy', name: 'Energy', functions: FUNCTIONS };
