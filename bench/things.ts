import { ThingFinder } from '@ant-trail/core/story';
import { medianMs, show } from './measure.ts';

const THINGS = 50_000;
const ROWS = 20_000;
const LABELS = 1_000;
const SEARCH_LIMIT_MS = 100;
const IMPORT_LIMIT_MS = 20_000;
const LABELS_LIMIT_MS = 3_000;
/** Phones are measured by this machine slowed to a quarter. */
const SLOWER = 4;

const NAMES = ['Pump', 'Motor', 'Valve', 'Panel', 'Detector'] as const;

/** Looking for a thing on a phone, taking a file of them in, and sheets of labels. */
export async function benchThings(base: string, cookie: string): Promise<void> {
  const lines = Array.from({ length: THINGS }, (_, n) => ({
    ...{ id: String(n), name: `${NAMES[n % NAMES.length] ?? ''} ${n}`, kind: 'thing' },
    ...{ siteName: `Kiln ${n % 2000}`, number: String(10_000_000 + n * 7) },
  }));
  const finder = new ThingFinder(lines);
  const found = await medianMs(() => finder.find('pump 7 kiln', 40));
  const plain = await medianMs(() =>
    lines.filter(({ name, siteName }) =>
      ['pump', '7', 'kiln'].every((word) => `${name} ${siteName}`.toLowerCase().includes(word)),
    ),
  );
  show(
    `looking among ${THINGS} things on a phone, CPU ÷ ${SLOWER}`,
    found * SLOWER,
    `limit ${SEARCH_LIMIT_MS} ms: ${((found * SLOWER) / SEARCH_LIMIT_MS).toFixed(2)} of it; filtering them as they are: ${(plain * SLOWER).toFixed(0)} ms`,
  );
  const titles = 'Thing,Kind,Place,Area';
  const rows = Array.from({ length: ROWS }, (_, n) => `Lamp ${n},lamp,Upper cistern,Row ${n % 50}`);
  const content = Buffer.from([titles, ...rows].join('\n')).toString('base64');
  const order = { name: 'things.csv', content, uses: ['name', 'kind', 'place', 'within'] };
  for (const really of [false, true]) {
    const took = await once(() =>
      post(base, cookie, '/api/imports/things', { ...order, really, without: false }),
    );
    show(
      really ? `taking ${ROWS} rows in` : `looking through ${ROWS} rows of a file`,
      took,
      `limit ${IMPORT_LIMIT_MS / 1000} s for both: ${(took / IMPORT_LIMIT_MS).toFixed(2)} of it`,
    );
  }
  const grid = {
    ...{ paper: 'A4', columns: 3, rows: 8, width: 70, height: 36 },
    ...{ left: 0, top: 4.5, gapX: 0, gapY: 0 },
  };
  const drawn = await once(() => post(base, cookie, '/api/labels', { loose: LABELS, grid }));
  show(
    `sheets of ${LABELS} labels`,
    drawn,
    `limit ${LABELS_LIMIT_MS / 1000} s: ${(drawn / LABELS_LIMIT_MS).toFixed(2)} of it`,
  );
}

async function once(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

async function post(base: string, cookie: string, at: string, body: unknown): Promise<void> {
  const answer = await fetch(base + at, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${at}: ${answer.status} ${await answer.text()}`);
  await answer.arrayBuffer();
}
