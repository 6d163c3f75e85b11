import type { FunctionOffer } from '../../logic/index.ts';
import type { TradeKit } from '../kit.ts';

/**
 * Tightening torque in N·m from the nut factor K, the bolt's diameter in mm and the wanted bolt
 * force in kN: T = K × d × F (common practice, no source).
 */
export const boltTorque = (nutFactor: number, diameter: number, force: number): number =>
  nutFactor * diameter * force;

/**
 * Stress area in mm² of a metric thread, from diameter and pitch in mm: π/4 (d − 0.9382 P)².
 * Source: ISO 898-1 (value from memory).
 */
export const stressArea = (diameter: number, pitch: number): number =>
  (Math.PI / 4) * (diameter - 0.9382 * pitch) ** 2;

const FUNCTIONS: readonly FunctionOffer[] = [
  {
    name: 'boltTorque',
    takes: ['double', 'double', 'double'],
    gives: 'double',
    usage: 'boltTorque(nutFactor, diameter, force)',
    about: 'Torque in N·m from the nut factor, the diameter in mm and the force in kN.',
    run: boltTorque,
  },
  {
    name: 'stressArea',
    takes: ['double', 'double'],
    gives: 'double',
    usage: 'stressArea(diameter, pitch)',
    about: 'Stress area of a metric thread in mm², from diameter and pitch in mm (ISO 898-1).',
    run: stressArea,
  },
];

export const BOLTING: TradeKit = { key: 'bolting', name: 'Bolted joints', functions: FUNCTIONS };
