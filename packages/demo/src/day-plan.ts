import { WayNetwork, wayLines } from '@ant-trail/core/maps/ways';
import { estimateTravelMinutes } from '@ant-trail/core/planning';
import { island } from './island/index.ts';
import { placeOf, type DemoSite } from './sites.ts';

const MINUTES: Record<string, number> = {
  drive: 45,
  hut: 40,
  board: 75,
  spring: 25,
  turbine: 40,
  path: 50,
};
const DAY_STARTS = 450;
const LAST_START = 15 * 60;
const MOST_STOPS = 6;

export interface PlannedVisit {
  readonly site: DemoSite;
  readonly start: number;
  readonly minutes: number;
}

export const minutesFor = (site: DemoSite): number => MINUTES[site.template] ?? 40;

let ways: WayNetwork | null = null;
const known = new Map<string, number>();

/** Along the island's own ways: nobody is planned where they can't be in time. */
function minutesBetween(from: DemoSite, to: DemoSite): number {
  const key = `${from.name} ${to.name}`;
  const found = known.get(key);
  if (found !== undefined) return found;
  ways ??= new WayNetwork(wayLines(island()));
  const way = ways.way(placeOf(from), placeOf(to), 'vehicle');
  const minutes = Math.ceil(way?.minutes ?? estimateTravelMinutes(placeOf(from), placeOf(to)));
  known.set(key, minutes);
  return minutes;
}

/** Lays visits one after the other with the way between them, until the day is full. */
export function planDay(sites: readonly DemoSite[], starts = DAY_STARTS): PlannedVisit[] {
  const visits: PlannedVisit[] = [];
  let clock = starts;
  let before: DemoSite | null = null;
  for (const site of sites.slice(0, MOST_STOPS)) {
    if (before) clock += minutesBetween(before, site) + 5;
    const start = Math.ceil(clock / 5) * 5;
    if (start > LAST_START) break;
    visits.push({ site, start, minutes: minutesFor(site) });
    clock = start + minutesFor(site);
    before = site;
  }
  return visits;
}
