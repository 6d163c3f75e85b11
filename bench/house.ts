import {
  measureFrom,
  nearestWay,
  openTo,
  savingsOf,
  surveyOf,
  type Measure,
  type NearestWay,
} from '@ant-trail/core/trades/energy';
import { FRAME_MS, medianMs, show } from './measure.ts';

const PARTS = 80;
const MEASURES = 40;

let seed = 7;
const chance = (): number => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
const KINDS = ['wall', 'roof', 'floor', 'window'] as const;
const kindOf = (at: number) => KINDS[at % KINDS.length] ?? 'wall';

const ANSWERS = {
  ...{ floor_area: 900, room_height: 2.6, bedrooms: 24 },
  station: {
    degree_days: 3300,
    temperatures: '2 2 3 5 8 10 12 12 11 8 5 3',
    ...{ sun_south: '28 42 66 78 80 76 80 82 74 54 34 24' },
    ...{ sun_side: '12 22 42 60 74 76 78 66 48 30 15 10' },
    ...{ sun_north: '7 12 20 31 42 46 44 34 23 14 8 6' },
  },
  grant: { row: 'winter', target: 35, cap: 60_000, method: 'months' },
  ...{ heat_fuel: { label: 'Oil', price: 0.13, emission: 0.27 }, heat_efficiency: 78, arrives: 90 },
  parts: Array.from({ length: PARTS }, (_, at) => ({
    ...{ part_kind: kindOf(at), area: 5 + chance() * 40, u_now: 0.7 + chance() * 2.5 },
    faces: 'south',
  })),
};

const measures: readonly Measure[] = Array.from({ length: MEASURES }, (_, at) =>
  measureFrom({
    ...{ row: `m${at}`, label: `Measure ${at}`, way: 'shell', fits: 'wall roof floor window' },
    ...{ cost: 20 + chance() * 300, adds: 0.5 + chance() * 7, rebate: Math.floor(chance() * 40) },
  }),
).flatMap((measure) => measure ?? []);

/** A survey of 80 parts, each with 40 measures that are allowed there. */
export async function benchHouse(): Promise<void> {
  const survey = surveyOf(ANSWERS);
  if (!survey) throw new Error('the house is not known');
  const { house, terms, savings } = survey;
  const open = openTo(house, [], measures, terms, []);
  const half = open.slice(0, PARTS / 2).flatMap(([first]) => first ?? []);
  show(
    `every figure of a house, ${half.length} measures taken up`,
    await medianMs(() => savingsOf(house, half, terms)),
    `limit ${(FRAME_MS / 4).toFixed(1)} ms, one frame on a CPU slowed to a quarter`,
  );
  const wanted = savings.before.total * 0.65;
  let way: NearestWay | null = null;
  const nearest = await medianMs(
    () => {
      way = nearestWay(house, [], open, wanted, terms);
    },
    5,
    1,
  );
  show(
    `nearest way to a target, ${PARTS} parts with ${MEASURES} measures`,
    nearest,
    `limit ${(FRAME_MS / 4).toFixed(1)} ms; ${sayProof(way)}`,
  );
}

function sayProof(way: NearestWay | null): string {
  if (!way) return 'no way';
  const over = ((way.net - way.atLeast) / way.net) * 100;
  return way.isLeast ? 'proven least' : `at most ${over.toFixed(2)} % above the least there can be`;
}
