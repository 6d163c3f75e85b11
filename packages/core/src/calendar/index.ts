export {
  addDays,
  daysBetween,
  inZone,
  type LocalMoment,
  sayLength,
  readMinute,
  readTimeOfDay,
  sayMinute,
} from './local.ts';
