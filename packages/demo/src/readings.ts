import type { Chance } from './chance.ts';
import type { Usual } from './templates/index.ts';

/** A fault that grows: from so many days ago on, a reading moves by so much a day. */
interface Fault {
  readonly site: string;
  readonly key: string;
  readonly since: number;
  readonly perDay: number;
}

const FAULTS: readonly Fault[] = [
  {
    site: 'Gannet Head, upper cableway station',
    key: 'brake2_temp',
    since: 36,
    perDay: 0.46,
  },
  {
    site: 'Gannet Head, upper cableway station',
    key: 'brake2_lining',
    since: 60,
    perDay: -0.03,
  },
  {
    site: 'Power house, turbine 2',
    key: 'bearing_vibration',
    since: 45,
    perDay: 0.062,
  },
  { site: 'Old mill boards', key: 'neutral_temp', since: 30, perDay: 0.7 },
  { site: 'Heron spring', key: 'flow', since: 40, perDay: -0.12 },
  { site: 'Bakehouse boards', key: 'insulation', since: 50, perDay: -2.6 },
];

const YEAR_DAYS = 365.25;

/** A plausible reading: the site's own level, the season, chance, and a fault where one grows. */
export function readingAt(
  chance: Chance,
  usual: Usual,
  where: {
    readonly site: string;
    readonly key: string;
    readonly offset: number;
  },
  when: { readonly daysAgo: number; readonly dayOfYear: number },
): number {
  const season = Math.cos(((when.dayOfYear - 200) / YEAR_DAYS) * 2 * Math.PI) * (usual.season ?? 0);
  const fault = FAULTS.find(({ site, key }) => site === where.site && key === where.key);
  const grown = fault ? Math.max(0, fault.since - when.daysAgo) * fault.perDay : 0;
  const value =
    usual.mean * (1 + where.offset * 0.06) + season + chance.wobble() * usual.scatter + grown;
  return Math.max(0, value);
}
