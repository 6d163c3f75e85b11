export {
  addDays,
  daysBetween,
  inZone,
  type LocalMoment,
  sayLength,
  readMinute,
  readTimeOfDay,
  sayMinute,
  weekdayOf,
} from './local.ts';
