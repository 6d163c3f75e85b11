import type { FunctionOffer } from '../logic/index.ts';
import { ALARM_FUNCTIONS } from './alarm/index.ts';
import { BOLTING_FUNCTIONS } from './bolting/index.ts';
import { ELECTRICAL_FUNCTIONS } from './electrical/index.ts';
import { ENERGY_FUNCTIONS } from './energy/index.ts';

/** What the trade kits add to expressions. */
export const TRADE_FUNCTIONS: readonly {
  readonly kit: string;
  readonly offers: readonly FunctionOffer[];
}[] = [
  { kit: 'Electrical circuits', offers: ELECTRICAL_FUNCTIONS },
  { kit: 'Alarm systems', offers: ALARM_FUNCTIONS },
  { kit: 'Energy', offers: ENERGY_FUNCTIONS },
  { kit: 'Bolted joints', offers: BOLTING_FUNCTIONS },
];
