import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { seekOrder, type OrderProblem } from '@ant-trail/core/planning/order';

/**
 * What `npm run bench -- plan FILE [--seconds N] [--capacity N]` reads: a CSV file with a title row.
 * With columns x and y alone it is one person’s round through all points, ways rounded to whole numbers
 * (as TSPLIB’s EUC_2D). With id, x, y, demand, ready, due and service the first row is where all begin
 * and end, and any number of people share the others, ways cut to one decimal (as Solomon’s problems).
 */
interface PlanFile {
  readonly problem: OrderProblem;
  readonly decimals: number;
}

const SOLOMON = ['x', 'y', 'demand', 'ready', 'due', 'service'] as const;

/**
 * What a vehicle holds is in none of these files. Of the published families those with long days hold
 * more; they are known by the hour the depot closes.
 */
const HOLDS: Readonly<Record<number, number>> = { 3390: 700, 1000: 1000, 960: 1000 };
const USUALLY_HOLDS = 200;

export function readPlanFile(file: string, capacity?: number): PlanFile {
  const path = resolve(process.env['INIT_CWD'] ?? process.cwd(), file);
  const [titles = '', ...lines] = readFileSync(path, 'utf8')
    .replace(/^\uFEFF/, '')
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '');
  const split = (line: string): string[] => line.trim().split(/\s*[,;\t]\s*/);
  const names = split(titles.toLowerCase());
  const column = (name: string): number => names.indexOf(name);
  if (column('x') < 0 || column('y') < 0)
    throw new Error(`${file} has no columns x and y in its first line.`);
  const rows = lines.map(split);
  const value = (row: number, name: string): number => {
    const number = Number(rows[row]?.[column(name)]);
    if (!Number.isFinite(number))
      throw new Error(`${file}, line ${row + 2}: ${name} is not a number.`);
    return number;
  };
  const timed = SOLOMON.every((name) => column(name) >= 0);
  const decimals = timed ? 1 : 0;
  const points = rows.map((_, i) => [value(i, 'x'), value(i, 'y')] as const);
  const places = points.length;
  if (places < 1) throw new Error(`${file} has no points.`);
  const travel = new Float64Array(places ** 2);
  points.forEach(([ax, ay], a) =>
    points.forEach(([bx, by], b) => {
      const way = Math.hypot(ax - bx, ay - by);
      travel[a * places + b] = timed ? Math.floor(way * 10 + 1e-9) / 10 : Math.round(way);
    }),
  );
  const others = rows.map((_, i) => i).slice(1);
  if (!timed)
    return {
      decimals,
      problem: {
        ...{ places, travel },
        stops: others.map((i) => ({ id: `${i + 1}`, place: i, minutes: 0 })),
        walkers: [{ id: '1', start: 0, end: 0, from: 0, to: Infinity }],
      },
    };
  const closes = value(0, 'due');
  const holds = capacity ?? HOLDS[closes] ?? USUALLY_HOLDS;
  return {
    decimals,
    problem: {
      ...{ places, travel },
      stops: others.map((i) => ({
        ...{ id: rows[i]?.[column('id')] ?? `${i}`, place: i, minutes: value(i, 'service') },
        takes: [value(i, 'demand')],
        windows: [{ from: value(i, 'ready'), to: value(i, 'due') }],
      })),
      walkers: Array.from({ length: Math.max(25, Math.ceil(others.length / 4)) }, (_, i) => ({
        ...{ id: `${i + 1}`, start: 0, end: 0, from: value(0, 'ready'), to: closes },
        holds: [holds],
      })),
    },
  };
}

/** How long is looked for where nobody says: small ones are done at once. */
export const secondsFor = (stops: number): number =>
  stops <= 60 ? 1.5 : stops <= 120 ? 8 : stops <= 260 ? 25 : 50;

/** Solves a file and prints each person’s stops; the last line has the cost and how many go. */
export function planFile(file: string, options: readonly string[]): void {
  const option = (name: string): number | undefined => {
    const at = options.indexOf(name);
    return at < 0 ? undefined : Number(options[at + 1]);
  };
  const { problem, decimals } = readPlanFile(file, option('--capacity'));
  const seconds = option('--seconds') ?? secondsFor(problem.stops.length);
  const order = seekOrder(problem, {
    ...{ millis: seconds * 1_000, now: () => performance.now() },
    onBetter: ({ travel }, share) =>
      console.log(`after ${(share * seconds).toFixed(1)} s: ${travel.toFixed(decimals)}`),
  });
  const going = order.trails.filter(({ stops }) => stops.length > 0);
  going.forEach(({ stops }, i) =>
    console.log(`${i + 1}: ${stops.map(({ stop }) => problem.stops[stop]?.id).join(' ')}`),
  );
  if (order.unplaced.length > 0)
    console.log(`left out: ${order.unplaced.map((stop) => problem.stops[stop]?.id).join(' ')}`);
  console.log(`cost ${order.travel.toFixed(decimals)}, vehicles ${going.length}`);
}
