export { addDays, daysBetween, inZone, type LocalMoment, sayLength, sayMinute } from './local.ts';
