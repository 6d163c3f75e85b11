import { unusualAtEnd } from '@ant-trail/core/measure';

const RUNS = 20_000;
const SHORTEST = 6;
const LONGEST = 30;

let seed = 42;
const chance = (): number => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
const normal = (): number => Math.sqrt(-2 * Math.log(chance())) * Math.cos(2 * Math.PI * chance());

/** Readings that hang together: each keeps half of how far the one before it was off. */
function hangingTogether(count: number): number[] {
  let last = 0;
  return Array.from({ length: count }, () => (last = 0.5 * last + Math.sqrt(0.75) * normal()));
}

const steady = (count: number): number[] => Array.from({ length: count }, normal);
const share = (holds: (length: number) => boolean): string => {
  let found = 0;
  for (let run = 0; run < RUNS; run++)
    if (holds(SHORTEST + (run % (LONGEST - SHORTEST + 1)))) found++;
  return `${((found / RUNS) * 100).toFixed(2)} %`;
};

function foundWithin(visits: number, by: number, before: readonly number[]): boolean {
  const values = [...before];
  for (let visit = 0; visit < visits; visit++) {
    values.push(normal() + by);
    if (unusualAtEnd(values)) return true;
  }
  return false;
}

/** How often a reading is called unusual: wrongly in steady series, rightly where something changed. */
export function benchHints(): void {
  const lines: readonly (readonly [string, string, string])[] = [
    ['false hints, steady readings', share((n) => unusualAtEnd(steady(n)) !== null), 'limit 0.5 %'],
    [
      'false hints, readings that hang together (0.5)',
      share((n) => unusualAtEnd(hangingTogether(n)) !== null),
      'no limit set',
    ],
    [
      '3σ jumps found within four visits',
      share((n) => foundWithin(4, 3, steady(n))),
      'at least 60 %',
    ],
    [
      '2σ shifts found within four visits',
      share((n) => foundWithin(4, 2, steady(n))),
      'at least 50 %',
    ],
  ];
  for (const [name, figure, limit] of lines)
    console.log(`${name.padEnd(52)} ${figure.padStart(9)}   ${limit}`);
}
