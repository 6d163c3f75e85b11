import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM } from '../e2e/playwright.config.ts';
import { openDesk } from '../e2e/support/people.ts';
import { buildClient } from '../scripts/house/build-client.mjs';
import { freePort, openCluster } from '../scripts/house/cluster.mjs';
import { prepareDatabase, startServer, stopServer } from '../scripts/house/serve.mjs';
import { enlargeDemo } from './enlarge-demo.ts';
import { FRAME_MS, medianMs, show } from './measure.ts';

const PEOPLE = 200;
const VISITS = 3_000;
const DAY = '2031-04-08';
const FRAMES = 240;
const ANSWER_LIMIT_MS = 300;

/** Two hundred people with fifteen stops each on one day: the office’s answer, and the frames of the desk. */
export async function benchBoard(): Promise<void> {
  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-bench-'));
  chmodSync(dir, 0o755);
  await buildClient();
  const cluster = await openCluster(dir);
  const browser = await chromium.launch(CHROMIUM);
  try {
    await prepareDatabase(cluster);
    await fillDay(cluster.ownerUrl);
    const port = await freePort();
    const server = await startServer(cluster, { port });
    const base = `http://127.0.0.1:${port}`;
    console.log(`\nThe board: ${PEOPLE} people and ${VISITS} visits on one day`);
    const desk = await openDesk(browser, base, 'edda');
    for (const [name, at] of Object.entries({
      'the visits of the day': `/api/board?from=${DAY}`,
      'a week with them': `/api/board?from=${DAY}&days=7`,
      'six weeks, what each day comes to': `/api/calendar?from=${DAY}&days=42`,
    })) {
      const took = await medianMs(() => desk.request.get(base + at), 7, 2);
      show(name, took, `limit ${ANSWER_LIMIT_MS} ms: ${(took / ANSWER_LIMIT_MS).toFixed(2)} of it`);
    }
    const from = performance.now();
    await desk.goto(`${base}/day?day=${DAY}`);
    await desk.getByRole('region', { name: /^Bench 1$/ }).waitFor();
    show('opening that day, to its first lanes', performance.now() - from, 'no limit set');
    await idle(desk);
    say('scrolling through the day', await framesWhile(desk, 'scroll'));
    say('dragging a stop over the lanes', await dragged(desk));
    await desk.goto(`${base}/day?day=${DAY}&view=week`);
    await desk.getByRole('rowheader', { name: /^Bench 1$/ }).waitFor();
    await idle(desk);
    say('scrolling through the week', await framesWhile(desk, 'scroll'));
    await stopServer(server);
  } finally {
    await browser.close();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

const idle = (desk: Page): Promise<void> => desk.waitForTimeout(1_500);

function say(name: string, frames: readonly number[]): void {
  const ordered = [...frames].sort((a, b) => a - b);
  const at = (part: number): number => ordered[Math.floor(ordered.length * part)] ?? Number.NaN;
  const kept = frames.filter((each) => each < FRAME_MS * 1.5).length / frames.length;
  show(
    `${name}, a frame`,
    at(0.5),
    `60 a second is ${FRAME_MS.toFixed(1)} ms: ${(kept * 100).toFixed(0)} % kept, 95 % within ${at(0.95).toFixed(1)} ms`,
  );
}

/** How long each frame takes, in milliseconds, while the page is scrolled by its own frames or by hand. */
const framesWhile = (desk: Page, what: 'scroll' | 'watch'): Promise<number[]> =>
  desk.evaluate(
    async ([count, doing]) => {
      const main = document.getElementById('main');
      const times: number[] = [];
      let last = await new Promise<number>(requestAnimationFrame);
      for (let frame = 0; frame < count; frame++) {
        if (doing === 'scroll') main?.scrollBy(0, 60);
        const now = await new Promise<number>(requestAnimationFrame);
        times.push(now - last);
        last = now;
      }
      return times;
    },
    [FRAMES, what] as const,
  );

async function dragged(desk: Page): Promise<number[]> {
  await desk.evaluate(() => document.getElementById('main')?.scrollTo(0, 0));
  await idle(desk);
  const stop = desk
    .getByRole('region', { name: /^Bench 1$/ })
    .getByRole('button')
    .nth(3);
  const box = await stop.boundingBox();
  if (!box) throw new Error('no stop to drag');
  await desk.mouse.move(box.x + 10, box.y + 20);
  await desk.mouse.down();
  const watched = framesWhile(desk, 'watch');
  for (let step = 0; step < 160; step++)
    await desk.mouse.move(box.x + 10 + step * 3, box.y + 20 + (step % 80) * 4);
  const frames = await watched;
  await desk.keyboard.press('Escape');
  await desk.mouse.up();
  return frames;
}

/** People and their stops, made by the database itself. */
async function fillDay(url: string): Promise<void> {
  await enlargeDemo(url, () => [
    // Nobody else stands among them.
    `UPDATE person SET retired = true WHERE roles = '{technician}'`,
    `INSERT INTO person (org_id, id, branch_id, name, email, phone, roles, trade, password_hash)
     SELECT org_id, gen_random_uuid(), branch_id, 'Bench ' || n, 'p' || n || '@bench.example', '',
            roles, trade, password_hash
     FROM (SELECT * FROM person WHERE email LIKE 'imke@%') p, generate_series(1, ${PEOPLE}) n`,
    `CREATE TEMP TABLE hand AS SELECT id, row_number() OVER (ORDER BY id) AS n FROM person
     WHERE email LIKE 'p%@bench.example'`,
    `CREATE TEMP TABLE place AS SELECT id, row_number() OVER (ORDER BY id) AS n FROM site`,
    `CREATE TEMP TABLE work AS SELECT n, gen_random_uuid() AS job FROM generate_series(0, ${VISITS - 1}) n`,
    `INSERT INTO job (org_id, id, branch_id, site_id, template_id, title, instructions, day, recipients, state)
     SELECT j.org_id, w.job, j.branch_id, p.id, j.template_id, 'Bench', '', '${DAY}', '[]', 'planned'
     FROM work w JOIN place p ON p.n = 1 + w.n % (SELECT count(*) FROM place), (SELECT * FROM job LIMIT 1) j`,
    `INSERT INTO visit (org_id, id, job_id, person_id, day, start, minutes)
     SELECT j.org_id, gen_random_uuid(), w.job, h.id, '${DAY}', 420 + (w.n / ${PEOPLE}) * 45, 30
     FROM work w JOIN hand h ON h.n = 1 + w.n % ${PEOPLE} JOIN job j ON j.id = w.job`,
    'VACUUM ANALYZE',
  ]);
}
