/** A fifth more than is needed, for a battery that has aged. */
const SPARE = 1.2;
const STANDBY_HOURS = 24;
const ALARM_HOURS = 5 / 60;

function mustBeCurrents(...amps: readonly number[]): void {
  if (amps.some((each) => !(each >= 0))) throw new RangeError('Currents are 0 A or more.');
}

/**
 * Battery capacity in Ah that an alarm panel needs: its standby current for 24 h and its alarm
 * current for 5 min, in A, with a fifth to spare. Source: NFPA 72 (value from memory). Throws a
 * RangeError for negative currents.
 */
export function standbyCapacity(standby: number, alarm: number): number {
  mustBeCurrents(standby, alarm);
  return (standby * STANDBY_HOURS + alarm * ALARM_HOURS) * SPARE;
}

/**
 * Hours a battery of so many Ah (0 or more) keeps a panel on standby, with 5 min of alarm after that and
 * a fifth to spare: {@link standbyCapacity} the other way round. Currents in A; 0 where the alarm alone
 * takes all. Source: NFPA 72 (value from memory). Throws a RangeError for a negative capacity or current,
 * and for a standby current of 0, with which it never ends.
 */
export function standbyHours(capacity: number, standby: number, alarm: number): number {
  mustBeCurrents(standby, alarm);
  if (!(capacity >= 0)) throw new RangeError('A battery holds 0 Ah or more.');
  if (standby === 0) throw new RangeError('A panel on standby takes more than 0 A.');
  return Math.max(0, (capacity / SPARE - alarm * ALARM_HOURS) / standby);
}

/**
 * What is left of a battery, in percent: the capacity measured against the rated one, Ah. Above 100 where
 * it holds more than is printed on it. Throws a RangeError for a rated capacity of 0 or less, or a measured
 * one below 0.
 */
export function batteryLeft(measured: number, rated: number): number {
  if (!(rated > 0)) throw new RangeError('A battery is rated at more than 0 Ah.');
  if (!(measured >= 0)) throw new RangeError('A battery holds 0 Ah or more.');
  return (measured / rated) * 100;
}
