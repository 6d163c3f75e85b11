/** What the questions of an inspection are called, so that the kit finds them. */
export const DEVICES = 'devices';
export const SWITCHED_OFF = 'switched_off';
/** Whether a device was set off and answered. */
export const TRIED = 'tried';
/** Where a device hangs: devices of one zone stand together. */
export const ZONE = 'zone';
