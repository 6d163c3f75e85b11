import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { freePort, openCluster } from '../scripts/house/cluster.mjs';
import { prepareDatabase, startServer, stopServer } from '../scripts/house/serve.mjs';
import { enlargeDemo } from './enlarge-demo.ts';
import { medianMs, show } from './measure.ts';
import { benchThings } from './things.ts';

const SITES = 20_000;
const JOBS = 200_000;
const PEOPLE = 1_000;
const THINGS = 50_000;
const LIST_LIMIT_MS = 300;
const PULL_LIMIT_MS = 5;

/** A large organisation: lists, combo boxes and the pull of a phone that has nothing new. */
export async function benchLists(): Promise<void> {
  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-bench-'));
  chmodSync(dir, 0o755);
  const cluster = await openCluster(dir);
  try {
    await prepareDatabase(cluster);
    const template = await enlarge(cluster.ownerUrl);
    const port = await freePort();
    const server = await startServer(cluster, { port, client: false });
    const base = `http://127.0.0.1:${port}`;
    console.log(
      `\n${SITES} places, ${JOBS} jobs, ${PEOPLE} people, ${THINGS} things in one organisation`,
    );
    const edda = await signIn(base, 'edda');
    const [person] = (await asked<{ people: { id: string }[] }>(base, edda, '/api/people/names'))
      .people;
    const records = `/api/records?template=${template}`;
    const narrowed = (...where: unknown[]): string =>
      `&where=${encodeURIComponent(JSON.stringify(where))}`;
    const [site] = (await asked<{ rows: { id: string }[] }>(base, edda, '/api/sites?text=7%20kiln'))
      .rows;
    const lists = {
      'jobs, newest first': '/api/jobs',
      'jobs by place': '/api/jobs?order=place',
      'jobs of one state': '/api/jobs?state=planned',
      'jobs of a person': `/api/jobs?person=${person?.id ?? ''}`,
      'jobs at a place': `/api/jobs?site=${site?.id ?? ''}`,
      'jobs of a month': '/api/jobs?from=2031-05-01&to=2031-05-31',
      'jobs by words of a place and a person': '/api/jobs?text=kiln%20orla%20crale',
      'jobs by a word that fits all of them': '/api/jobs?text=bench',
      'jobs by words nobody used': '/api/jobs?text=nowhere',
      'places by words': '/api/sites?text=kiln%207',
      'places while one letter is written': '/api/sites?text=q&within=name&most=20',
      'things by words while they are written': '/api/assets?text=pump%207',
      'things by kind and place': '/api/assets?kind=pump&text=kiln%2012',
      'people by words': '/api/people?text=orla%207',
      'everybody by name': '/api/people/names',
      'one day': '/api/day?day=2031-05-05',
      'finished sheets of a template, 50,000': records,
      'finished sheets by a number': records + narrowed(['depth', 'from', 99, null]),
      'finished sheets by a choice and words':
        records + narrowed(['cover', 'is', 'iron'], ['note', 'has', 'post 69']),
      'finished sheets that nobody made': records + narrowed(['depth', 'from', 500, null]),
      'finished sheets on the map, by a number': `${records.replace('?', '/places?')}${narrowed(['depth', 'from', 99, null])}`,
    };
    for (const [name, at] of Object.entries(lists)) {
      const took = await medianMs(() => asked(base, edda, at));
      show(name, took, `limit ${LIST_LIMIT_MS} ms: ${(took / LIST_LIMIT_MS).toFixed(2)} of it`);
    }
    await benchReadingOn(base, edda);
    await benchThings(base, edda);
    await benchPull(base);
    await stopServer(server);
  } finally {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

/** The last page of a list costs what the first one does. */
async function benchReadingOn(base: string, cookie: string): Promise<void> {
  let cursor = '';
  const times: number[] = [];
  for (let page = 0; page < 60; page++) {
    const from = performance.now();
    const { next } = await asked<{ next: string | null }>(
      base,
      cookie,
      `/api/jobs?most=200${cursor && `&cursor=${cursor}`}`,
    );
    times.push(performance.now() - from);
    cursor = next ?? '';
  }
  const last = times.slice(-10).reduce((sum, time) => sum + time, 0) / 10;
  const early = times.slice(1, 11).reduce((sum, time) => sum + time, 0) / 10;
  show(
    '200 further jobs, after 12,000',
    last,
    `the pages right after the first: ${early.toFixed(1)} ms`,
  );
}

async function benchPull(base: string): Promise<void> {
  const imke = await signIn(base, 'imke');
  let cursor = '';
  let through = '';
  for (let more = true; more;) {
    const page = await asked<{ cursor: string; through: string; more: boolean }>(
      base,
      imke,
      `/api/pull${cursor && `?cursor=${cursor}`}`,
    );
    ({ cursor, through, more } = page);
  }
  const idle = (): Promise<unknown> =>
    asked(base, imke, `/api/pull?cursor=${cursor}&through=${through}`);
  for (let warm = 0; warm < 1500; warm++) await idle();
  const took = await medianMs(idle, 1000);
  const bare = await medianMs(() => asked(base, imke, '/api/health'), 400);
  show(
    'idle pull of a phone',
    took,
    `limit ${PULL_LIMIT_MS} ms: ${(took / PULL_LIMIT_MS).toFixed(2)} of it; the same server saying that it is well: ${bare.toFixed(1)} ms`,
  );
}

async function signIn(base: string, who: string): Promise<string> {
  const answer = await fetch(`${base}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: `${who}@tarnhollow.example`, password: 'walk-the-trail' }),
  });
  if (!answer.ok) throw new Error(`sign-in: ${answer.status}`);
  return answer.headers.getSetCookie()[0]?.split(';')[0] ?? '';
}

async function asked<Answer>(base: string, cookie: string, at: string): Promise<Answer> {
  const answer = await fetch(base + at, { headers: { cookie } });
  if (!answer.ok) throw new Error(`${at}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as Answer;
}

/** Multiplies the demo: every job with its visit, its sheet and a change that phones hear of. */
async function enlarge(url: string): Promise<string> {
  const finished = await enlargeDemo<{ template_id: string }>(
    url,
    (organisation) => [
      `INSERT INTO person (org_id, id, branch_id, name, email, phone, roles, trade, password_hash)
     SELECT org_id, gen_random_uuid(), branch_id, (ARRAY['Orla','Bede','Tamsin','Wren','Ivo','Lise','Corin','Hale','Nessa','Piran'])[1 + n % 10] || ' ' ||
            (ARRAY['Ashby','Crale','Dunmore','Fell','Garrow','Hythe','Kest','Lorne','Marl','Norrey'])[1 + n / 10 % 10] || ' ' || n, 'p' || n || '@bench.example', '', roles, trade, password_hash
     FROM (SELECT * FROM person WHERE email LIKE 'imke@%') p, generate_series(1, ${PEOPLE}) n`,
      `INSERT INTO site (org_id, id, branch_id, name, client, address, lat, lon, access, hazards, contacts)
     SELECT org_id, gen_random_uuid(), branch_id,
            (ARRAY['Quay','Kiln','Mill','Ridge','Weir','Croft','Stack'])[1 + n % 7] || ' ' || n,
            'Client ' || n % 400, address, lat, lon, access, hazards, contacts
     FROM (SELECT * FROM site LIMIT 1) s, generate_series(1, ${SITES}) n`,
      `CREATE TEMP TABLE place AS SELECT id, row_number() OVER (ORDER BY id) AS n FROM site`,
      `INSERT INTO asset (org_id, id, site_id, kind, name)
     SELECT '${organisation}', gen_random_uuid(), p.id, (ARRAY['pump','motor','valve','panel','alarm device'])[1 + t.n % 5],
            (ARRAY['Pump','Motor','Valve','Panel','Detector'])[1 + t.n % 5] || ' ' || t.n
     FROM generate_series(1, ${THINGS}) AS t(n) JOIN place p ON p.n = 1 + t.n % ${SITES}`,
      `CREATE TEMP TABLE hand AS SELECT id, row_number() OVER (ORDER BY id) AS n FROM person WHERE email LIKE 'p%@bench.example'`,
      `CREATE TEMP TABLE work AS
     SELECT n, gen_random_uuid() AS job, gen_random_uuid() AS visit, gen_random_uuid() AS sheet,
            date '2031-01-01' + (n % 400) AS day,
            (ARRAY['planned','approved','closed','approved','under way','in review'])[1 + n % 6] AS state
     FROM generate_series(1, ${JOBS}) n`,
      `INSERT INTO job (org_id, id, branch_id, site_id, template_id, title, instructions, day, recipients, state)
     SELECT j.org_id, w.job, j.branch_id, p.id, j.template_id, 'Bench round', '', w.day, '[]', w.state
     FROM work w JOIN place p ON p.n = 1 + w.n % ${SITES}, (SELECT * FROM job LIMIT 1) j`,
      `INSERT INTO visit (org_id, id, job_id, person_id, day, start, minutes)
     SELECT j.org_id, w.visit, w.job, h.id, w.day, 480, 45
     FROM work w JOIN hand h ON h.n = 1 + w.n % ${PEOPLE} JOIN job j ON j.id = w.job`,
      // Every fourth is finished, and says twenty things.
      `INSERT INTO sheet (org_id, id, job_id, version_id, template_id, title, summary, record)
     SELECT s.org_id, w.sheet, w.job, s.version_id, s.template_id, s.title,
            jsonb_set(s.summary, '{stage}', CASE WHEN w.n % 4 = 0 THEN '"approved"' ELSE '"open"' END::jsonb),
            jsonb_build_object('depth', jsonb_build_object('v', w.n % 1000 / 10.0, 't', w.n % 1000 / 10.0 || ' m'),
              'cover', jsonb_build_object('v', (ARRAY['iron','wood','none'])[1 + w.n % 3], 't', 'A lid'),
              'note', jsonb_build_object('v', 'x', 't', 'Loose stones at post ' || w.n % 700)) || filler.said
     FROM work w, (SELECT * FROM sheet LIMIT 1) s,
       (SELECT jsonb_object_agg('q' || n, jsonb_build_object('v', n, 't', n || ' kPa')) AS said
        FROM generate_series(1, 17) n) filler`,
      `INSERT INTO feed (org_id, tx, kind, ref, reach)
     SELECT j.org_id, 1 + w.n / 40, 'visit', w.visit, w.job FROM work w JOIN job j ON j.id = w.job`,
      'VACUUM ANALYZE',
      'CHECKPOINT',
    ],
    `SELECT template_id FROM sheet WHERE record ? 'depth' LIMIT 1`,
  );
  return finished?.template_id ?? '';
}
