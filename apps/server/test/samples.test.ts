import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { OPERATIONS } from '@ant-trail/contract/sync';
import { type AnswerValue, timeOrderedId } from '@ant-trail/core/log';
import { isOffScale } from '@ant-trail/core/sheet';
import { inOrganisation } from '../src/database/tenancy.ts';
import { openOffice, type Office, type Team } from './support/office.ts';

const SAMPLES = path.join(
  path.dirname(fileURLToPath(import.meta.url)),
  '../../../packages/contract/test/samples',
);

interface Sample {
  readonly kind: string;
  readonly body: Readonly<Record<string, unknown>>;
}

let office: Office;
let team: Team;
/** A thing and a loose label of the team, and something the office wrote. */
let things: { readonly asset: string; readonly tag: string; readonly message: string };
let count = 0;
beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`samples${++count}`);
  things = await aThingAndALabel(team);
});

const GRID = {
  ...{ paper: 'A4', columns: 1, rows: 1, width: 70, height: 36 },
  ...{ left: 0, top: 0, gapX: 0, gapY: 0 },
};

const ANSA = { name: 'Ansa Fell', phone: '+999 55 2688', email: 'quay@tarnhollow.example' };
const ORRIN = { name: 'Orrin Tully', phone: '', email: 'orrin@tarnhollow.example' };

async function aThingAndALabel({ org, manager }: Team): Promise<typeof things> {
  const { body } = await manager.call('POST', `/api/sites/${org.site}/assets`, {
    ...{ kind: 'pump', name: 'Pump' },
  });
  await manager.call('POST', '/api/labels', { loose: 1, grid: GRID });
  // Those who are told that somebody is on the way belong to the place.
  await inOrganisation(office.data, org.id, (db) =>
    db.query(`UPDATE site SET contacts = $1`, [
      JSON.stringify([ANSA, ORRIN].map((each) => ({ ...each, role: 'warden' }))),
    ]),
  );
  const [tag] = await inOrganisation(office.data, org.id, (db) =>
    db.query<{ id: string }[]>('SELECT id FROM tag'),
  );
  const message = timeOrderedId(Date.now(), new Uint8Array(16).fill(99));
  await manager.call('POST', '/api/messages', {
    ...{ id: message, person: org.people.technician, visit: null, text: 'Call me' },
    ...{ by: org.people.manager, at: '2025-04-05T08:00:00Z' },
  });
  return { asset: (body as { id: string }).id, tag: tag?.id ?? '', message };
}

/** The sample as a phone of this organisation would have sent it: the same words about its own things. */
function asOwn({ kind, body }: Sample): Sample {
  const { org } = team;
  let turn = 0;
  const fresh = (): string => timeOrderedId(Date.now() + ++turn, new Uint8Array(16).fill(count));
  const own: Record<string, unknown> = {
    ...{ site: org.site, version: org.version, job: org.job, owner: org.people.manager },
    ...{ visit: org.visit, sheet: org.sheet, by: org.people.technician, to: org.people.reviewer },
    id: fresh(),
    ...(kind === 'job begun' ? { visit: fresh(), sheet: fresh() } : {}),
    ...(kind === 'entry' && !String(body['path']).startsWith('~') ? { path: 'temp' } : {}),
    // What only some questions can be answered with is said as a reading.
    ...(body['kind'] === 'answer' && !isOffScale(body['value'] as AnswerValue)
      ? { value: 41 }
      : {}),
    ...(kind === 'action' ? { key: 'temp' } : {}),
    ...things,
    // Whom a word goes to, or until when, not to whom work is handed over.
    ...(kind === 'on the way' || kind === 'site time' ? { to: body['to'] } : {}),
    ...(kind === 'clock' || kind === 'message' ? { person: org.people.technician } : {}),
    ...(kind === 'own order'
      ? {
          day: new Date().toISOString().slice(0, 10),
          stops: (body['stops'] as object[]).map((stop) => ({ ...stop, visit: org.visit })),
        }
      : {}),
    // Of what was opened, not of a template.
    ...(kind === 'arrival opened' ? { version: 1 } : {}),
  };
  const kept = Object.entries(body).map(([key, value]) => [
    key,
    value !== null && Object.hasOwn(own, key) ? own[key] : value,
  ]);
  const about = Object.fromEntries(kept) as Record<string, unknown>;
  if (about['path'] === 'temp' && about['value'] === 41) about['unit'] = 'Cel';
  return { kind, body: about };
}

const files = readdirSync(SAMPLES).filter((name) => name.startsWith('operations-'));

test.each(files)('what a phone sent by %s is taken in today', async (file) => {
  const samples = JSON.parse(readFileSync(path.join(SAMPLES, file), 'utf8')) as Sample[];
  expect(samples.length).toBeGreaterThan(2);
  for (const sample of samples) {
    const sent = asOwn(sample);
    const [receipt] = await team.technician.push(sent);
    const said = [sent.kind, sent.body['kind'], receipt?.outcome, receipt?.reason];
    const { path: at, kind } = sent.body;
    if (sent.kind === 'entry' && (at !== 'temp' || kind === 'correct')) {
      // Read, and taken or refused for who says it and where the sheet stands, not for how it is written.
      expect(JSON.stringify(said)).not.toMatch(/could not read|not right/);
      continue;
    }
    expect(said).toEqual([sent.kind, sent.body['kind'], 'received', undefined]);
    const [again] = await team.technician.push(sent);
    expect([sent.kind, again?.outcome]).toEqual([sent.kind, 'already had']);
  }
});

test('every kind of operation there is stands in a sample of a released version', () => {
  const kinds = files.flatMap((file) =>
    (JSON.parse(readFileSync(path.join(SAMPLES, file), 'utf8')) as Sample[]).map(
      ({ kind }) => kind,
    ),
  );
  expect([...new Set(kinds)].sort()).toEqual(Object.keys(OPERATIONS).sort());
});
