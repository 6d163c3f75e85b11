/** What the questions of an inspection are called, so that the kit finds them. */
export const DEVICES = 'devices';
export const SWITCHED_OFF = 'switched_off';
/** The day of the inspection. */
export const INSPECTED = 'inspected';
/** How often a year the system is inspected; each time a share of its devices. */
export const VISITS = 'visits';
export const VISITS_A_YEAR = { once: 1, twice: 2, quarter: 4, month: 12 } as const;
/** Whether a device was set off and answered. */
export const TRIED = 'tried';
/** The day it was tried last, before this visit. */
export const TRIED_ON = 'tried_on';
/** Why some that were due were not tried. */
export const WHY_LEFT = 'why_left';
/** Where a device hangs: devices of one zone stand together. */
export const ZONE = 'zone';
/** When the alarm was set off that signals have to follow. */
export const ALARM_AT = 'alarm_at';
/** What has to follow an alarm, whether it did, and how long that took. */
export const SIGNALS = 'signals';
export const FOLLOWED = 'followed';
export const TOOK = 'took';
/** The battery as it is printed on it, and as it was measured. */
export const BATTERY = 'battery';
export const MEASURED = 'battery_measured';
/** A plan that devices are marked on: one for the house, or one in each row of plans. */
export const PLAN = 'floor_plan';
