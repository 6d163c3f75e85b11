export {
  addDays,
  daysBetween,
  inZone,
  type LocalMoment,
  sayLength,
  readTimeOfDay,
  sayMinute,
} from './local.ts';
