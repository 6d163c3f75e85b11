import type { FunctionOffer } from '../../logic/index.ts';
import type { TradeKit } from '../kit.ts';

const SPARE = 1.2;

/**
 * Battery capacity in Ah that an alarm panel needs: its standby current for 24 h and its alarm
 * current for 5 min, in A, with a fifth to spare. Source: NFPA 72 (value from memory). Throws a
 * RangeError for negative currents.
 */
export function standbyCapacity(standby: number, alarm: number): number {
  if (standby < 0 || alarm < 0) throw new RangeError('Currents are 0 A or more.');
  return (standby * 24 + (alarm * 5) / 60) * SPARE;
}

const FUNCTIONS: readonly FunctionOffer[] = [
  {
    name: 'standbyCapacity',
    takes: ['double', 'double'],
    gives: 'double',
    usage: 'standbyCapacity(standby, alarm)',
    about:
      'Battery capacity in Ah for 24 h of standby and 5 min of alarm, currents in A, a fifth to spare (NFPA 72).',
    run: standbyCapacity,
  },
];

export const ALARM: TradeKit = { key: 'alarm', name: 'Alarm systems', functions: FUNCTIONS };
