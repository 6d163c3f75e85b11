import type { FunctionOffer } from '../../logic/index.ts';
import type { TradeKit } from '../kit.ts';
import { numberOffer } from '../number-offer.ts';
import {
  ambientFactor,
  cableCapacity,
  conductorResistance,
  groupingFactor,
  laidCapacity,
  voltageDrop,
} from './cables.ts';
import { OVER_BOARDS } from './over-boards.ts';
import {
  deviceLimit,
  faultCurrent,
  loopImpedance,
  loopLimit,
  residualLimit,
  ringCross,
  tripLimit,
} from './loop.ts';

const FUNCTIONS: readonly FunctionOffer[] = [
  numberOffer(
    'loopLimit(curve, rating)',
    'Highest earth loop impedance in Ω for a breaker of curve "B", "C" or "D" and a rating in A (BS 7671 table 41.3).',
    loopLimit,
    ['string', 'double'],
  ),
  numberOffer(
    'loopImpedance(external, conductors)',
    'Earth loop impedance in Ω: outside part plus the circuit’s own conductors.',
    loopImpedance,
  ),
  numberOffer(
    'faultCurrent(volts, loop)',
    'Current in A that flows to earth, from V and the loop’s Ω: the breaker must break it.',
    faultCurrent,
  ),
  numberOffer(
    'tripLimit(multiple)',
    'Longest time in s in which a 30 mA residual current device may trip, by the multiple it is tested with (IEC 61008-1).',
    tripLimit,
  ),
  numberOffer(
    'ringCross(line, earth)',
    'What is read at each point of a ring joined crosswise, Ω, from its end-to-end values.',
    ringCross,
  ),
  numberOffer(
    'conductorResistance(metres, line, earth)',
    'R1 + R2 in Ω to be expected of a copper cable, from m and two sizes in mm² (IEC 60228).',
    conductorResistance,
  ),
  numberOffer(
    'cableCapacity(size)',
    'Current in A a flat cable of so many mm² may carry, clipped direct (BS 7671 table 4D5).',
    cableCapacity,
  ),
  numberOffer(
    'groupingFactor(circuits)',
    'What a cable keeps of its capacity beside others (BS 7671 table 4C1).',
    groupingFactor,
  ),
  numberOffer(
    'ambientFactor(celsius)',
    'What a cable keeps of its capacity where it is so warm, °C (BS 7671 table 4B1).',
    ambientFactor,
  ),
  numberOffer(
    'laidCapacity(size, method)',
    'Current in A a flat cable of so many mm² may carry, laid by method "A", "C", "100", "101", "102" or "103" (BS 7671 table 4D5).',
    laidCapacity,
    ['double', 'string'],
  ),
  numberOffer(
    'deviceLimit(curve, rating, seconds)',
    'Highest earth loop impedance in Ω for a breaker of curve "B", "C" or "D" or a fuse "gG", a rating in A and the time to disconnect in s (BS 7671 tables 41.2 to 41.4).',
    deviceLimit,
    ['string', 'double', 'double'],
  ),
  numberOffer(
    'residualLimit(milliamps)',
    'Highest earth loop impedance in Ω behind a residual current device of so many mA (BS 7671, 411.5.3).',
    residualLimit,
  ),
  numberOffer(
    'voltageDrop(size, amps, metres)',
    'Volts lost along a flat cable, from mm², A and m (BS 7671 table 4D5).',
    voltageDrop,
  ),
];

export const ELECTRICAL: TradeKit = {
  key: 'electrical',
  name: 'Electrical circuits',
  functions: FUNCTIONS,
  reckoning: OVER_BOARDS,
};
