import type { Timetable } from '@ant-trail/core/maps/ways';
import { Chance } from '../chance.ts';
import { SITES, type DemoSite } from '../sites.ts';
import type { Point } from './shape.ts';

export interface Way {
  readonly name: string;
  readonly line: readonly Point[];
  readonly timetable?: Timetable;
}

const at = ({ east, north }: DemoSite): Point => [east, north];
const far = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** A way bends: it leaves the straight line by a little, the same every time. */
function bend(from: Point, to: Point, chance: Chance): Point[] {
  const length = far(from, to);
  const pieces = Math.max(2, Math.round(length / 0.15));
  const side = chance.between(-0.12, 0.12) * length;
  const ripple = chance.between(-0.04, 0.04) * length;
  const [dx, dy] = [(to[0] - from[0]) / (length || 1), (to[1] - from[1]) / (length || 1)];
  return Array.from({ length: pieces + 1 }, (_, index): Point => {
    const t = index / pieces;
    const off = side * Math.sin(Math.PI * t) + ripple * Math.sin(3 * Math.PI * t);
    return [from[0] + (to[0] - from[0]) * t - dy * off, from[1] + (to[1] - from[1]) * t + dx * off];
  });
}

/** The shortest lines that join all sites, which have some ways already. */
function join(
  sites: readonly DemoSite[],
  joined: readonly (readonly [DemoSite, DemoSite])[] = [],
): (readonly [DemoSite, DemoSite])[] {
  const group = new Map(sites.map((site) => [site, site]));
  const head = (site: DemoSite): DemoSite => {
    const above = group.get(site) ?? site;
    return above === site ? site : head(above);
  };
  for (const [one, other] of joined) group.set(head(one), head(other));
  const pairs = sites
    .flatMap((one, index) => sites.slice(index + 1).map((other) => [one, other] as const))
    .sort(([a, b], [c, d]) => far(at(a), at(b)) - far(at(c), at(d)));
  const found: (readonly [DemoSite, DemoSite])[] = [];
  for (const [one, other] of pairs) {
    if (head(one) === head(other)) continue;
    group.set(head(one), head(other));
    found.push([one, other]);
  }
  return found;
}

const bySite = new Map(SITES.map((site) => [site.name, site]));
/** Bridges, stairs and refuges are reached on foot alone. */
const onRoads = SITES.filter(({ template }) => template !== 'path');
const roads = join(onRoads);
const paths = join(SITES, roads);

const drawn = (
  pairs: readonly (readonly [DemoSite, DemoSite])[],
  seed: number,
  what: string,
): Way[] => {
  const chance = new Chance(seed);
  return pairs
    .filter(([from, to]) => far(at(from), at(to)) > 0.01)
    .map(([from, to]) => ({
      name: `${what} from ${from.name} to ${to.name}`,
      line: bend(at(from), at(to), chance),
    }));
};

/** Ways for carts and tricycles, and those for feet alone. */
export const ROADS: readonly Way[] = drawn(roads, 71, 'Road');
export const PATHS: readonly Way[] = drawn(paths, 72, 'Path');

const LINES = [
  ['Gannet cableway', 'Harbour lift station', 'Gannet Head, lower cableway station'],
  ['Gannet cableway', 'Gannet Head, lower cableway station', 'Storm Petrel mid station'],
  ['Gannet cableway', 'Storm Petrel mid station', 'Gannet Head, upper cableway station'],
  ['Fulmar ropeway', 'Fulmar Ridge valley station', 'Fulmar Ridge top station'],
  ['Saddle ropeway', 'Fulmar Ridge top station', 'Skua Saddle station'],
  ['North landing goods ropeway', 'Skua Saddle station', 'North landing goods ropeway'],
] as const;

/** From seven in the morning to seven in the evening; goods go along twice an hour. */
const TIMETABLES: Readonly<Record<(typeof LINES)[number][0], Timetable>> = {
  'Gannet cableway': { every: 15, first: 420, last: 1_140 },
  'Fulmar ropeway': { every: 20, first: 420, last: 1_140 },
  'Saddle ropeway': { every: 20, first: 420, last: 1_140 },
  'North landing goods ropeway': { every: 30, first: 480, last: 1_020 },
};

/** Cableways run straight. */
export const CABLEWAYS: readonly Way[] = LINES.flatMap(([name, from, to]) => {
  const [one, other] = [bySite.get(from), bySite.get(to)];
  return one && other ? [{ name, line: [at(one), at(other)], timetable: TIMETABLES[name] }] : [];
});
