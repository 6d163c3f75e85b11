import type { FunctionOffer } from '../../logic/index.ts';
import type { TradeKit } from '../kit.ts';
import { numberOffer } from '../number-offer.ts';
import { daysLeft } from './due.ts';
import { OVER_DEVICES } from './over-devices.ts';
import { batteryLeft, standbyCapacity, standbyHours } from './standby.ts';

export { batteryFails, LEAST_LEFT, type BatteryReading } from './battery-pace.ts';
export { devicesDue, dueAtVisit, type DeviceAge } from './due.ts';
export { batteryLeft, standbyCapacity, standbyHours } from './standby.ts';

const FUNCTIONS: readonly FunctionOffer[] = [
  numberOffer(
    'standbyCapacity(standby, alarm)',
    'Battery capacity in Ah for 24 h of standby and 5 min of alarm, currents in A, a fifth to spare (NFPA 72).',
    standbyCapacity,
  ),
  numberOffer(
    'standbyHours(capacity, standby, alarm)',
    'Hours a battery of so many Ah keeps a panel on standby, currents in A, 5 min of alarm and a fifth to spare (NFPA 72).',
    standbyHours,
  ),
  numberOffer(
    'batteryLeft(measured, rated)',
    'What is left of a battery, in percent of its rated capacity.',
    batteryLeft,
  ),
];

export const ALARM: TradeKit = {
  ...{ key: 'alarm', name: 'Alarm systems', functions: FUNCTIONS },
  reckoning: OVER_DEVICES,
  leaves: daysLeft,
};
