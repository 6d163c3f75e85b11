import fc from 'fast-check';
import { MultiUndirectedGraph } from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { distanceMetres } from '../src/geo/index.ts';
import { meetAtCrossings } from '../src/maps/ways/crossings.ts';
import { WayNetwork, wayLines, type GoesBy, type WayLine } from '../src/maps/ways/index.ts';

/** About a hundred metres each way. */
const at = (east: number, north: number): [number, number] => [
  -41 + east * 0.001141,
  38 + north * 0.000899,
];
const place = ([lon, lat]: readonly [number, number]) => ({ lat, lon });
const line = (kind: WayLine['kind'], name: string, ...points: [number, number][]): WayLine => ({
  ...{ kind, name, line: points },
});
const minutesOf = (kind: WayLine['kind'], metres: number): number =>
  (metres / 1000 / (kind === 'road' ? 24 : 4)) * 60;

describe('ways along the net of a map', () => {
  test('are as short as a graph library finds them (graphology, Dijkstra)', () => {
    const corners = 12;
    const point = fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 300 }));
    fc.assert(
      fc.property(
        fc.uniqueArray(point, {
          ...{ minLength: corners, maxLength: corners },
          // Far enough apart that nobody walks across.
          comparator: ([a, b], [c, d]) => Math.hypot(a - c, b - d) < 12,
        }),
        fc.array(fc.tuple(fc.nat(corners - 1), fc.nat(corners - 1)), { maxLength: 24 }),
        fc.constantFrom<WayLine['kind']>('road', 'path'),
        (points, pairs, kind) => {
          const spots = points.map(([east, north]) => at(east, north));
          const known = pairs.filter(([a, b]) => a !== b);
          const network = new WayNetwork(
            // Each at a height of its own, so that they meet at their ends alone, as the graph has it.
            known.map(([a, b], i) => ({
              ...line(kind, `${i}`, spots[a] ?? at(0, 0), spots[b] ?? at(0, 0)),
              level: i,
            })),
          );
          const graph = new MultiUndirectedGraph();
          spots.forEach((_, i) => graph.addNode(i));
          for (const [a, b] of known)
            graph.addEdge(a, b, {
              weight: distanceMetres(place(spots[a] ?? at(0, 0)), place(spots[b] ?? at(0, 0))),
            });
          const met = [...new Set(known.flat())];
          const table = network.table(
            met.map((i) => place(spots[i] ?? at(0, 0))),
            'vehicle',
          );
          met.forEach((a, i) =>
            met.forEach((b, k) => {
              const steps = dijkstra.bidirectional(graph, a, b, 'weight') as string[] | null;
              const metres = table.metres[i * met.length + k] ?? 0;
              if (steps === null) return expect(metres).toBe(Infinity);
              const far = steps
                .slice(1)
                .map((to, n) => {
                  const edges = graph.edges(steps[n], to);
                  return Math.min(
                    ...edges.map((e) => graph.getEdgeAttribute(e, 'weight') as number),
                  );
                })
                .reduce((sum, each) => sum + each, 0);
              // Long pieces have corners between, on the straight line and not on the arc.
              expect(metres / far || 1).toBeCloseTo(1, 4);
              expect(table.minutes[i * met.length + k]).toBeCloseTo(minutesOf(kind, metres), 6);
              return undefined;
            }),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  test('of one place to another are those of the table, in pieces that make up the whole', () => {
    const network = new WayNetwork([
      line('road', 'Harbour road', at(0, 0), at(20, 0), at(40, 0)),
      line('path', 'Ridge path', at(40, 0), at(40, 30)),
      line('road', 'Top road', at(40, 30), at(60, 30)),
    ]);
    const ends = [at(0, 1), at(60, 30)].map(place);
    const [from, to] = ends;
    if (!from || !to) throw new Error('nowhere');
    for (const by of ['vehicle', 'foot'] satisfies GoesBy[]) {
      const way = network.way(from, to, by);
      const table = network.table(ends, by);
      expect(way?.minutes).toBeCloseTo(table.minutes[1] ?? 0, 6);
      expect(way?.metres).toBeCloseTo(table.metres[1] ?? 0, 6);
      const sum = (key: 'minutes' | 'metres') => way?.legs.reduce((all, leg) => all + leg[key], 0);
      expect(sum('minutes')).toBeCloseTo(way?.minutes ?? 0, 6);
      expect(sum('metres')).toBeCloseTo(way?.metres ?? 0, 6);
    }
    // The vehicle stays where the path begins: the road at its top is walked.
    expect(network.way(from, to, 'vehicle')?.legs.map(({ by, name }) => `${by} ${name}`)).toEqual([
      ...['walking ', 'driving Harbour road', 'walking Ridge path', 'walking Top road'],
    ]);
  });

  test('by cableway are waited for by the timetable, worked out by hand', () => {
    const network = new WayNetwork([
      {
        ...line('cableway', 'Gannet cableway', at(0, 0), at(0, 30)),
        timetable: { every: 20, first: 420, last: 1_080, ride: 9 },
      },
    ]);
    const [low, high] = [place(at(0, 0)), place(at(0, 30))];
    const minutes = (leaving?: number) => network.way(low, high, 'foot', leaving)?.minutes;
    expect(minutes(400)).toBe(20 + 9); // the first goes at 7:00
    expect(minutes(420)).toBe(9);
    expect(minutes(421)).toBe(19 + 9); // 7:01, the next at 7:20
    expect(minutes(1_079)).toBe(1 + 9); // 17:59, the last at 18:00
    expect(minutes(1_081)).toBeUndefined(); // it does not go any more, and there is no other way
    expect(minutes()).toBe(10 + 9); // half the time between two
    expect(network.way(low, high, 'foot', 421)?.legs).toMatchObject([
      { by: 'riding', name: 'Gannet cableway', waits: 19 },
    ]);
  });

  test('begin and end off the map on foot, and are none where no way is near', () => {
    const network = new WayNetwork([line('road', 'Road', at(0, 0), at(100, 0))]);
    const off = network.way(place(at(50, 10)), place(at(100, 0)), 'vehicle');
    expect(off?.legs.map(({ by }) => by)).toEqual(['walking', 'driving']);
    expect(network.way(place(at(50, 90)), place(at(100, 0)), 'vehicle')).toBeNull();
    expect(new WayNetwork([]).way(place(at(0, 0)), place(at(60, 0)), 'foot')).toBeNull();
    // Whoever is near walks straight over.
    expect(network.way(place(at(0, 2)), place(at(1, 2)), 'foot')?.legs).toHaveLength(1);
  });
});

test('ways are read from what is drawn as one, whatever else stands in the map', () => {
  const features = [
    {
      geometry: { type: 'LineString', coordinates: [at(0, 0), at(9, 9)] },
      properties: { name: 'One' },
    },
    {
      geometry: { type: 'MultiLineString', coordinates: [[at(0, 0), at(1, 1)]] },
      properties: null,
    },
    { geometry: { type: 'Point', coordinates: at(0, 0) }, properties: { name: 'A post' } },
    { geometry: null, properties: { name: 7 } },
    {
      geometry: {
        type: 'GeometryCollection',
        geometries: [{ type: 'LineString', coordinates: [at(0, 0), at(2, 2)] }],
      },
      properties: { name: 'Ropeway', every: 15, first: 400, last: 900, ride: -1 },
    },
  ];
  const content = { features };
  expect(wayLines([{ look: 'land', content }])).toEqual([]);
  expect(wayLines([{ look: 'path', content }]).map(({ name }) => name)).toEqual([
    'One',
    '',
    'Ropeway',
  ]);
  expect(wayLines([{ look: 'cableway', content }]).map(({ timetable }) => timetable)).toEqual([
    ...[undefined, undefined, { every: 15, first: 400, last: 900, ride: undefined }],
  ]);
});

describe('lines that cross with no corner in common', () => {
  const east = line('road', 'East', at(0, 10), at(20, 10));
  const north = line('road', 'North', at(10, 0), at(10, 20));
  const from = place(at(0, 10));
  const to = place(at(10, 20));
  const metresBy = (...lines: WayLine[]): number =>
    new WayNetwork(lines).way(from, to, 'vehicle')?.metres ?? Infinity;

  test('are turned at, and where one ends on the other, too', () => {
    const wanted = distanceMetres(from, place(at(10, 10))) * 2;
    expect(metresBy(east, north)).toBeCloseTo(wanted, -1);
    const ending = line('path', 'Up', at(10, 10), at(10, 20));
    expect(new WayNetwork([east, ending]).way(from, to, 'foot')?.metres).toBeCloseTo(wanted, -1);
  });

  test('are not turned at where one goes over or under the other, or is a cableway', () => {
    expect(metresBy(east, { ...north, level: 1 })).toBe(Infinity);
    expect(metresBy(east, { ...north, kind: 'cableway' })).toBe(Infinity);
    // Two bridges at one height meet.
    expect(metresBy({ ...east, level: 1 }, { ...north, level: 1 })).toBeLessThan(2_100);
  });

  test('stay as long as they were, and meet whatever order they are drawn in (property)', () => {
    const spot = fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }));
    const lengthOf = ({ line: points }: WayLine): number =>
      points
        .slice(1)
        .reduce((sum, to, i) => sum + distanceMetres(place(points[i] ?? to), place(to)), 0);
    const corners = (lines: readonly WayLine[]): string[] =>
      lines
        .flatMap(({ line: points }) => points.map((each) => each.map((n) => n.toFixed(4)).join()))
        .sort();
    fc.assert(
      fc.property(
        fc.array(fc.array(spot, { minLength: 2, maxLength: 5 }), { minLength: 2, maxLength: 5 }),
        (drawn) => {
          const lines = drawn.map((points, i) =>
            line('path', `${i}`, ...points.map(([e, n]) => at(e, n))),
          );
          const met = meetAtCrossings(lines);
          met.forEach((each, i) => {
            // A corner may stand a metre beside the line it is put into.
            const corners = each.line.length - (lines[i]?.line.length ?? 0);
            expect(Math.abs(lengthOf(each) - lengthOf(lines[i] ?? each))).toBeLessThan(
              1 + corners * 3,
            );
          });
          expect(corners(meetAtCrossings([...lines].reverse()))).toEqual(corners(met));
        },
      ),
      { numRuns: 200 },
    );
  });

  test('bridges and tunnels are read from the map', () => {
    const feature = (properties: object) => ({
      geometry: { type: 'LineString', coordinates: [at(0, 0), at(1, 0)] },
      properties: { ...properties },
    });
    const features = [{ bridge: 'yes' }, { tunnel: true }, { level: 2 }, {}].map(feature);
    expect(wayLines([{ look: 'road', content: { features } }]).map(({ level }) => level)).toEqual([
      1, -1, 2, 0,
    ]);
  });
});
