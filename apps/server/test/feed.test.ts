import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { type PullAnswer } from '@ant-trail/contract/sync';
import { addDays } from '@ant-trail/core/calendar';
import type { Entry } from '@ant-trail/core/log';
import { JOB_STATE_RULES, JOB_STATES } from '@ant-trail/core/planning';
import fc from 'fast-check';
import type { EntityManager } from 'typeorm';
import { announce, feedEnd } from '../src/database/feed.ts';
import { inOrganisation } from '../src/database/tenancy.ts';
import type { Session } from '../src/http/session.ts';
import { appendEntries } from '../src/log/append.ts';
import { announceJob } from '../src/modules/planning/jobs.ts';
import { readCursor } from '../src/modules/sync/cursor.ts';
import { feedPage } from '../src/modules/sync/feed-page.ts';
import { answerPull } from '../src/modules/sync/pull.ts';
import { beginEpoch } from '../src/setup/note-where-it-lies.ts';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { pull, type Pulled } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  org = await office.newOrganisation(`feed${++count}`);
});

const within = <Result>(work: (db: EntityManager) => Promise<Result>): Promise<Result> =>
  inOrganisation(office.data, org.id, work);

const nobody = { person: randomUUID(), today: '2026-01-01', last: '2026-01-08' };
/** Something that reaches everybody. */
const siteChange = (ref: string) => ({ kind: 'site', ref, reach: null }) as const;

/** A transaction that has written and is not through yet. */
async function writer(): Promise<{ db: EntityManager; end: () => Promise<void> }> {
  const runner = office.data.createQueryRunner();
  await runner.startTransaction();
  await runner.query(`SELECT set_config('app.org_id', $1, true)`, [org.id]);
  return {
    db: runner.manager,
    end: async () => {
      await runner.commitTransaction();
      await runner.release();
    },
  };
}

test('what a slow writer began earlier is not missed by whoever read on meanwhile', async () => {
  const [early, late] = [randomUUID(), randomUUID()];
  const from = await within(async (db) => (await feedEnd(db)).upto);
  const slow = await writer();
  await announce(slow.db, org.id, [siteChange(early)]);
  await within((db) => announce(db, org.id, [siteChange(late)]));
  const first = await within(async (db) =>
    feedPage(db, nobody, from, (await feedEnd(db)).upto, 10),
  );
  expect(first.rows).toEqual([]);
  await slow.end();
  const next = await within(async (db) =>
    feedPage(db, nobody, first.upto, (await feedEnd(db)).upto, 10),
  );
  expect(next.rows.map(({ ref }) => ref)).toEqual([early, late]);
});

test('nobody waits for somebody else’s transaction to write', async () => {
  const slow = await writer();
  await announce(slow.db, org.id, [siteChange(org.site)]);
  // With one counter for all this waited for the slow one, which here never ends.
  await within((db) => announce(db, org.id, [siteChange(org.site)]));
  await slow.end();
});

test('a page ends between transactions, and one that fills a page alone comes whole', async () => {
  const from = await within(async (db) => (await feedEnd(db)).upto);
  const refs = (many: number) => Array.from({ length: many }, () => randomUUID());
  const transactions = [refs(2), refs(1), refs(9), refs(2)];
  for (const each of transactions) await within((db) => announce(db, org.id, each.map(siteChange)));
  const read: number[] = [];
  let since = from;
  for (let more = true; more;) {
    const page = await within(async (db) =>
      feedPage(db, nobody, since, (await feedEnd(db)).upto, 4),
    );
    read.push(page.rows.length);
    since = page.upto;
    more = page.more;
  }
  expect(read).toEqual([3, 9, 2]);
});

/** More jobs for the same technician, each with its sheet. */
async function moreSheets(many: number): Promise<string[]> {
  const sheets = [org.sheet];
  await within(async (db) => {
    for (let i = 0; i < many; i++) {
      const [job, sheet] = [randomUUID(), randomUUID()];
      await db.query(
        `INSERT INTO job (org_id, id, branch_id, site_id, template_id, title, instructions, day, recipients, state)
         SELECT org_id, $2, branch_id, site_id, template_id, title, '', day, '[]', state FROM job WHERE id = $1`,
        [org.job, job],
      );
      await db.query(
        `INSERT INTO visit SELECT org_id, $2, $3, person_id, day, start, minutes FROM visit WHERE id = $1`,
        [org.visit, randomUUID(), job],
      );
      await db.query(
        `INSERT INTO sheet (org_id, id, job_id, version_id, summary, template_id, title)
         SELECT org_id, $2, $3, version_id, summary, template_id, title FROM sheet WHERE id = $1`,
        [org.sheet, sheet, job],
      );
      sheets.push(sheet);
    }
  });
  return sheets;
}

test('with random pages, writers and readers at once, every reader has every entry in the end', async () => {
  const sheets = await moreSheets(5);
  const session: Session = {
    ...{ organisation: org.id, person: org.people.technician, branch: randomUUID() },
    ...{ roles: ['technician'], until: new Date(), token: '' },
  };
  const page = (cursor: string, rows: number): Promise<PullAnswer> =>
    within((db) => {
      const through = new Date(Date.now() + 7 * 86_400_000).toISOString().slice(0, 10);
      return answerPull(db, session, { cursor: readCursor(cursor), through }, rows);
    });
  const idsIn = ({ changes }: PullAnswer): string[] =>
    changes.filter(({ kind }) => kind === 'entry').map(({ id }) => id);
  const start = (await page('new', 500)).cursor;
  const plan = fc.record({
    writers: fc.array(
      fc.array(
        fc.record({
          sheets: fc.uniqueArray(fc.nat(sheets.length - 1), { minLength: 1, maxLength: 4 }),
          wait: fc.nat(6),
        }),
        { minLength: 3, maxLength: 8 },
      ),
      { minLength: 2, maxLength: 5 },
    ),
    readers: fc.array(fc.integer({ min: 1, max: 7 }), { minLength: 2, maxLength: 3 }),
  });
  const written: string[] = [];
  const readers = new Map<number, { cursor: string; seen: Set<string> }>();
  let transactions = 0;
  let pagesRead = 0;
  await fc.assert(
    fc.asyncProperty(plan, async ({ writers, readers: pages }) => {
      let writing = writers.length;
      const write = async (jobs: (typeof writers)[number]): Promise<void> => {
        for (const { sheets: which, wait } of jobs) {
          const entries = which.map((at): Entry => entryOf(org, { sheet: sheets[at] ?? '' }));
          transactions++;
          await within(async (db) => {
            await appendEntries(db, org.id, entries);
            if (wait > 3) await sleep(wait);
          });
          written.push(...entries.map(({ id }) => id));
        }
        writing--;
      };
      const read = async (rows: number, index: number): Promise<void> => {
        const reader = readers.get(index) ?? { cursor: start, seen: new Set<string>() };
        readers.set(index, reader);
        for (let last = false; ;) {
          const answer = await page(reader.cursor, rows);
          for (const id of idsIn(answer)) reader.seen.add(id);
          reader.cursor = answer.cursor;
          pagesRead++;
          if (last && !answer.more) return;
          last = writing === 0;
          // Whatever is still projected has begun before the last was written, and holds it back.
          if (last) await office.settled();
          else await sleep(4);
        }
      };
      await Promise.all([...writers.map(write), ...pages.map(read)]);
      for (const index of pages.keys())
        expect(written.filter((id) => !readers.get(index)?.seen.has(id))).toEqual([]);
    }),
    { numRuns: 30, endOnFailure: true },
  );
  expect(transactions).toBeGreaterThan(300);
  expect(pagesRead).toBeGreaterThan(1_000);
}, 180_000);

describe('a phone is filled anew, and told all it may keep', () => {
  const filled = async () => {
    const technician = await office.signIn(org.emails.technician);
    await technician.push(asEntry(entryOf(org)));
    return { technician, before: await pull(technician) };
  };

  test('after the database was restored', async () => {
    const { technician, before } = await filled();
    expect((await pull(technician, before.cursor)).visits).toBeNull();
    await within((db) =>
      db.query(`INSERT INTO feed_state (org_id, epoch) VALUES ($1, 'restored')`, [org.id]),
    );
    const again = await pull(technician, before.cursor);
    expect(again.visits).toEqual([org.visit]);
    expect(again.of('entry')).toHaveLength(1);
    expect((await pull(technician, again.cursor)).visits).toBeNull();
  });

  test('when it claims to have read what no transaction wrote yet', async () => {
    const { technician, before } = await filled();
    const ahead = before.cursor.replace(/\d+$/, '999999999999');
    expect((await pull(technician, ahead)).visits).toEqual([org.visit]);
  });

  test('when the feed it knows was pruned, and not as long as it was not', async () => {
    const { technician, before } = await filled();
    await technician.push(asEntry(entryOf(org)));
    await within((db) => db.query(`UPDATE feed SET at = at - interval '90 days'`));
    const late = await pull(technician);
    await office.tidy();
    expect((await pull(technician, before.cursor)).visits).toEqual([org.visit]);
    expect((await pull(technician, late.cursor)).visits).toBeNull();
  });
});

describe('what reaches a phone', () => {
  const changes = async (who: Caller, cursor: string): Promise<Pulled> =>
    pull(who, cursor, addDays(new Date().toISOString().slice(0, 10), 7));
  const helperAt = async (): Promise<string> => {
    const visit = randomUUID();
    await within((db) =>
      db.query(
        `INSERT INTO visit (org_id, id, job_id, person_id, day, start, minutes)
         SELECT org_id, $2, job_id, $3, day, start, minutes FROM visit WHERE id = $1`,
        [org.visit, visit, org.people.reviewer],
      ),
    );
    return visit;
  };

  test('is not what happens at the jobs of others', async () => {
    const [technician, manager] = await Promise.all([
      office.signIn(org.emails.technician),
      office.signIn(org.emails.manager),
    ]);
    const own = (await pull(technician)).cursor;
    const others = (await pull(manager)).cursor;
    await technician.push(asEntry(entryOf(org)));
    await within((db) => announceJob(db, org.id, org.job));
    expect((await changes(technician, own)).changes.length).toBeGreaterThan(0);
    expect((await changes(manager, others)).changes).toEqual([]);
  });

  test('is that a visit was taken away, put off or ends otherwise, by whatever way', async () => {
    const technician = await office.signIn(org.emails.technician);
    const ways = [
      `UPDATE visit SET person_id = NULL WHERE id = '${org.visit}'`,
      `UPDATE visit SET day = day + 40 WHERE id = '${org.visit}'`,
      `UPDATE job SET state = 'cancelled' WHERE id = '${org.job}'`,
      `DELETE FROM visit WHERE id = '${org.visit}'`,
    ];
    for (const way of ways) {
      const { cursor } = await pull(technician);
      const undo = new Error('undone');
      await within(async (db) => {
        await db.query(way);
        const end = (await db.query<{ tx: string }[]>(`SELECT own_transaction() AS tx`))[0];
        const told = await feedPage(
          db,
          { ...nobody, person: org.people.technician },
          Number(cursor.split('.').at(-1)),
          Number(end?.tx),
          100,
        );
        expect([way, told.rows.map(({ ref }) => ref)]).toEqual([way, [org.visit]]);
        throw undo;
      }).catch((error: unknown) => {
        if (error !== undo) throw error;
      });
    }
  });

  test('is what somebody else wrote while the job came to this person', async () => {
    const reviewer = await office.signIn(org.emails.reviewer);
    const { cursor } = await pull(reviewer);
    const slow = await writer();
    const entry = entryOf(org);
    // Written before the job came, and through only after this phone has read of that.
    await slow.db.query('SELECT own_transaction()');
    await appendEntries(slow.db, org.id, [entry]);
    await helperAt();
    await within((db) => announceJob(db, org.id, org.job));
    const meanwhile = await changes(reviewer, cursor);
    await slow.end();
    const after = await changes(reviewer, meanwhile.cursor);
    const seen = [...meanwhile.of('entry'), ...after.of('entry')].map(({ body }) => body.id);
    expect(seen).toContain(entry.id);
  });

  test('stays for as long as the state of its job says', async () => {
    for (const state of JOB_STATES) {
      const days = JOB_STATE_RULES[state].daysOnPhones;
      const [row] = await within((db) =>
        db.query<{ day: string }[]>(`SELECT last_day_on_phones('2026-03-01', $1)::text AS day`, [
          state,
        ]),
      );
      const said =
        days === null
          ? '-infinity'
          : Number.isFinite(days)
            ? addDays('2026-03-01', days)
            : 'infinity';
      expect([state, row?.day]).toEqual([state, said]);
    }
  });
});

test('a new epoch leaves nothing of the old numbers behind', async () => {
  const technician = await office.signIn(org.emails.technician);
  await technician.push(asEntry(entryOf(org)));
  await within(beginEpoch);
  const numbers = await within((db) =>
    db.query<{ tx: string }[]>(`SELECT tx FROM entry UNION ALL SELECT tx FROM feed`),
  );
  expect(numbers.map(({ tx }) => tx)).toEqual(['0']);
  expect((await pull(technician)).of('entry')).toHaveLength(1);
});
