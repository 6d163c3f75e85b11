import { entryHash, type Entry } from '@ant-trail/core/log';
import Dexie from 'dexie';
import { z } from 'zod';
import { LocalStore } from '@/device/local-store.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';
import { clearAway } from '@/features/planning/field/clear-away.ts';
import { makeRoom } from '@/features/sync/make-room.ts';
import { doHere, entryFrom, keepEntries, letGo } from '@/features/sync/outbox.ts';
import { pullAll } from '@/features/sync/pull.ts';
import { pushAll } from '@/features/sync/push.ts';
import { RECORDS_0_3 } from './older/records-0-3.ts';

const ME = '22222222-2222-4222-8222-222222222222';
const SHEET = '33333333-3333-4333-8333-333333333333';

type Answer = { status: number; body: unknown };
let office: (path: string, body: unknown) => Answer;
let store: LocalStore;
let count = 0;

beforeEach(() => {
  store = new LocalStore(`test-${++count}`, ON_PHONE);
  globalThis.fetch = ((path: string, init?: { body?: string }) => {
    const { status, body } = office(path, init?.body ? JSON.parse(init.body) : undefined);
    return Promise.resolve({
      ok: status < 400,
      status,
      json: () => Promise.resolve(body),
    });
  }) as never;
});

const draft = (value: number) => ({
  sheet: SHEET,
  path: 'temp',
  kind: 'answer' as const,
  value,
  unit: 'Cel',
  seen: [],
  by: ME,
});
async function keepOne(kept: LocalStore, one: ReturnType<typeof draft>): Promise<Entry> {
  const [entry] = await keepEntries(kept, [entryFrom(one)]);
  if (!entry) throw new Error('nothing was kept');
  return entry;
}
const idsIn = (body: unknown): string[] =>
  (body as { operations: { body: { id: string } }[] }).operations.map((o) => o.body.id);
const receipts = (ids: string[], outcome: string, reason?: string): Answer => ({
  status: 200,
  body: { receipts: ids.map((id) => ({ id, outcome, at: '2031-04-05T08:00:00Z', reason })) },
});

test('an entry is kept and queued, in one chain of hashes', async () => {
  const one = await keepOne(store, draft(1));
  const two = await keepOne(store, draft(2));
  expect(one.prev).toBeNull();
  expect(two.prev).toBe(entryHash(one));
  expect(one.id < two.id).toBe(true);
  expect(await store.entries.count()).toBe(2);
  expect(await store.outbox.count()).toBe(2);
});

test('what the office received leaves the outbox; what it refused stays with the reason', async () => {
  const one = await keepOne(store, draft(1));
  const two = await keepOne(store, draft(2));
  office = (_path, body) => ({
    status: 200,
    body: {
      receipts: idsIn(body).map((id) => ({
        id,
        at: '2031-04-05T08:00:00Z',
        ...(id === two.id
          ? { outcome: 'refused', reason: 'no such question' }
          : { outcome: 'received' }),
      })),
    },
  });
  await pushAll(store);
  expect((await store.entries.get(one.id))?.receivedAt).toBe('2031-04-05T08:00:00Z');
  expect((await store.entries.get(two.id))?.receivedAt).toBeNull();
  expect((await store.outbox.toArray()).map((item) => item.refused)).toEqual(['no such question']);
});

test.each([
  ['an error of the server', 500, { code: 'failed', message: 'x' }],
  ['something that is no answer of ours', 502, '<html>'],
])('nothing is lost by %s', async (_name, status, body) => {
  await keepOne(store, draft(1));
  office = () => ({ status, body });
  await expect(pushAll(store)).rejects.toThrow();
  expect(await store.outbox.count()).toBe(1);
  office = (_path, sent) => receipts(idsIn(sent), 'already had');
  await pushAll(store);
  expect(await store.outbox.count()).toBe(0);
});

test('an answer without receipts does not make the phone ask for ever', async () => {
  await keepOne(store, draft(1));
  let calls = 0;
  office = () => {
    calls++;
    return receipts([], 'received');
  };
  // Nor does it pass for being in step.
  await expect(pushAll(store)).rejects.toThrow('no receipt');
  expect(calls).toBe(1);
  expect(await store.outbox.count()).toBe(1);
});

describe('a batch that fails as a whole', () => {
  const keepMany = async (many: number): Promise<string[]> => {
    const ids: string[] = [];
    for (let i = 0; i < many; i++) ids.push((await keepOne(store, draft(i))).id);
    return ids;
  };

  test.each([
    [400, 'wrong-input'],
    [413, 'too-large'],
    [500, 'failed'],
  ])('by %d is halved until the one is found; all others go through', async (status, code) => {
    const ids = await keepMany(37);
    const bad = ids[20] ?? '';
    let calls = 0;
    office = (_path, body) => {
      calls++;
      return idsIn(body).includes(bad)
        ? { status, body: { code, message: 'This can’t be taken.' } }
        : receipts(idsIn(body), 'received');
    };
    await pushAll(store);
    const left = await store.outbox.toArray();
    expect(left.map(({ id }) => id)).toEqual([bad]);
    expect(left[0]?.refused).toMatch(/can’t be taken|could not take this one/);
    expect(calls).toBeLessThan(20);
    // It holds up nothing that is said from now on.
    const next = await keepOne(store, draft(99));
    await pushAll(store);
    expect((await store.entries.get(next.id))?.receivedAt).not.toBeNull();
  });

  test('because the office itself fails sets nothing aside, and does not storm it', async () => {
    await keepMany(64);
    let calls = 0;
    office = () => {
      calls++;
      return { status: 500, body: { code: 'failed', message: 'x' } };
    };
    await expect(pushAll(store)).rejects.toThrow();
    expect(calls).toBeLessThan(8);
    expect((await store.outbox.toArray()).every(({ refused }) => refused === null)).toBe(true);
  });

  test('because somebody is not signed in is not taken apart', async () => {
    await keepMany(8);
    let calls = 0;
    office = () => {
      calls++;
      return { status: 401, body: { code: 'not-signed-in', message: 'x' } };
    };
    await expect(pushAll(store)).rejects.toThrow();
    expect(calls).toBe(1);
  });
});

describe('pull', () => {
  /** A page of the office, its records by kind. */
  const page = ({ gone = [], ...of }: Page): Answer => ({
    status: 200,
    body: {
      cursor: of.cursor ?? 'at.first.5',
      more: of.more ?? false,
      through: '2031-04-12',
      ...(of.branch === undefined ? {} : { branch: of.branch }),
      visits: of.theirs ?? null,
      changes: [
        ...Object.entries(of.records ?? {}).flatMap(([kind, bodies]) =>
          bodies.map((body) => ({ kind, id: idOf(body), body })),
        ),
        ...gone.map((id) => ({ kind: 'visit', id, body: null })),
      ],
    },
  });
  interface Page {
    readonly cursor?: string;
    readonly branch?: string;
    readonly more?: boolean;
    readonly records?: Readonly<Record<string, readonly object[]>>;
    readonly gone?: readonly string[];
    readonly theirs?: readonly string[];
  }
  const idOf = (body: object): string => {
    if ('id' in body) return String(body.id);
    return 'body' in body ? (body.body as { id: string }).id : 'a b';
  };
  const visit = (id: string, events: object[] = []) => ({
    id,
    job: '44444444-4444-4444-8444-444444444444',
    person: ME,
    day: '2031-04-05',
    start: 480,
    minutes: 45,
    events,
  });
  const VISIT = '55555555-5555-4555-8555-555555555555';
  const event = {
    id: '017f22e2-79b0-7cc3-98c4-dc0c0c07398f',
    visit: VISIT,
    kind: 'arrived',
    by: ME,
    at: '2031-04-05T08:00:00Z',
    fix: null,
    distance: null,
  };

  test('does not let the office’s older view cover what happened here', async () => {
    office = () => page({ records: { visit: [visit(VISIT)] } });
    await pullAll(store);
    await store.visits.update(VISIT, { events: [event] as never });
    await pullAll(store);
    expect((await store.visits.get(VISIT))?.events).toEqual([event]);
  });

  test('does not undo what waits here: a sheet added, one handed over, a job begun', async () => {
    const added = '017f22e2-79b0-7cc3-98c4-00000000000a';
    const begunJob = '017f22e2-79b0-7cc3-98c4-00000000000b';
    const at = '2031-04-05T08:00:00Z';
    const officeHas = (): Answer => page({ records: { visit: [visit(VISIT)], job: [job()] } });
    office = officeHas;
    await pullAll(store);
    const { id: here } = job();
    const template = { id: ME, template: ME, number: 1, publishedAt: at, body: { title: 'Lift' } };
    await store.templates.put(template as never);
    const own = { by: ME, at };
    await doHere(store, {
      kind: 'sheet added',
      body: { id: added, job: here, version: ME, asset: null, person: null, ...own },
    });
    await doHere(store, {
      kind: 'handover',
      body: {
        ...{ id: `${added.slice(0, -1)}c`, job: here, visit: null, sheet: SHEET, to: VISIT },
        ...{ word: '', ...own },
      },
    });
    await doHere(store, {
      kind: 'job begun',
      body: {
        ...{ id: begunJob, visit: `${added.slice(0, -1)}d`, sheet: `${added.slice(0, -1)}e` },
        ...{
          site: ME,
          asset: null,
          version: ME,
          title: 'Lift',
          day: '2031-04-05',
          start: 480,
          ...own,
        },
      },
    });
    for (let again = 0; again < 2; again++) {
      await pullAll(store);
      expect((await store.jobs.get(here))?.sheets.map(({ id, person }) => [id, person])).toEqual([
        [SHEET, VISIT],
        [added, null],
      ]);
      expect(await store.jobs.get(begunJob)).toMatchObject({ title: 'Lift', state: 'planned' });
    }
    // Let go once it was refused, it is as the office has it.
    for (const waiting of await store.outbox.toArray()) await letGo(store, waiting);
    expect((await store.jobs.get(here))?.sheets.map(({ id, person }) => [id, person])).toEqual([
      [SHEET, ME],
    ]);
    expect(await store.jobs.get(begunJob)).toBeUndefined();
  });

  test('goes on page by page from where it was', async () => {
    const asked: string[] = [];
    office = (path) => {
      asked.push(path);
      return page(asked.length === 1 ? { cursor: 'fill.first.3.x', more: true } : {});
    };
    await pullAll(store);
    await pullAll(store);
    expect(asked.map((path) => new URLSearchParams(path.split('?')[1]).get('cursor'))).toEqual([
      null,
      'fill.first.3.x',
      'at.first.5',
    ]);
  });

  test('in another branch the phone is filled anew, and lets go of what stood in the one before', async () => {
    const [here, there] = [ME, SHEET];
    const [own, other, worked] = [1, 2, 3].map((n) => `66666666-6666-4666-8666-66666666666${n}`);
    const at = (id: string | undefined, branch: string) => ({
      ...{ id, branch, name: 'Place', client: '', address: '', lat: 1, lon: 2, access: '' },
      ...{ hazards: [], contacts: [] },
    });
    const thing = (id: string, site: string | undefined) => ({
      ...{ id, site, kind: 'hose', name: 'H', retired: false },
    });
    const things = [1, 2, 3].map((n) => `77777777-7777-4777-8777-77777777777${n}`);
    const [ownThing = '', otherThing = '', workedThing = ''] = things;
    const tag = (asset: string) => ({ id: asset, number: '00000001', asset, boundAt: null });
    office = () =>
      page({
        branch: here,
        records: {
          job: [{ ...job(), site: worked }],
          site: [at(own, here), at(worked, here)],
          asset: [thing(ownThing, own), thing(workedThing, worked)],
          tag: [tag(ownThing), tag(workedThing)],
        },
      });
    await pullAll(store);
    const asked: (string | null)[] = [];
    let reached = false;
    office = (path) => {
      const cursor = new URLSearchParams(path.split('?')[1]).get('cursor');
      asked.push(cursor);
      if (cursor === 'at.first.5') return page({ branch: there });
      // The network goes in the middle of it, once.
      if (cursor === 'rest' && !reached) {
        reached = true;
        return { status: 503, body: {} };
      }
      return cursor === null
        ? page({ branch: there, more: true, cursor: 'rest', records: { site: [at(other, there)] } })
        : page({
            ...{ branch: there, cursor: 'at.first.9' },
            records: { asset: [thing(otherThing, other)], tag: [tag(otherThing)] },
          });
    };
    await expect(pullAll(store)).rejects.toThrow();
    // Nothing is lost as long as the other is not there whole.
    expect(await store.sites.count()).toBe(3);
    await pullAll(store);
    expect(asked).toEqual(['at.first.5', null, 'rest', 'rest']);
    const kept = await Promise.all(
      [store.sites, store.assets, store.tags].map((table) => table.toCollection().primaryKeys()),
    );
    expect(kept).toEqual([
      [other, worked],
      [otherThing, workedThing],
      [otherThing, workedThing],
    ]);
  });

  test('a place that goes over to another branch goes from the phone, unless work leads there', async () => {
    const [here, there] = [ME, SHEET];
    const [left = '', worked = '', kept = ''] = [1, 2, 3].map(
      (n) => `66666666-6666-4666-8666-66666666666${n}`,
    );
    const at = (id: string, branch: string) => ({
      ...{ id, branch, name: 'Place', client: '', address: '', lat: 1, lon: 2, access: '' },
      ...{ hazards: [], contacts: [] },
    });
    const thing = { ...{ id: SHEET, site: left, kind: 'hose', name: 'H', retired: false } };
    office = () =>
      page({
        branch: here,
        records: {
          job: [{ ...job(), site: worked }],
          site: [left, worked, kept].map((id) => at(id, here)),
          asset: [thing],
        },
      });
    await pullAll(store);
    expect(await store.assets.count()).toBe(1);
    office = () => page({ branch: here, records: { site: [at(left, there), at(worked, there)] } });
    await pullAll(store);
    expect(await store.sites.toCollection().primaryKeys()).toEqual([worked, kept]);
    expect(await store.assets.count()).toBe(0);
  });

  test('takes a newer catalogue, what the register says now, and the latest visit before', async () => {
    const catalogue = (number: number, label: string) => ({
      ...{ id: SHEET, key: 'parts', name: 'Parts', number, columns: [] },
      importedAt: '2031-01-01T00:00:00Z',
      rows: [{ code: '1', label, fields: {} }],
    });
    const asset = (retired: boolean) => ({ id: VISIT, site: ME, kind: 'hose', name: 'H', retired });
    const earlier = (day: string) => ({
      ...{ site: ME, template: SHEET, day },
      answers: [{ path: 'maker', value: day }],
    });
    const kept = async () => [
      (await store.catalogues.where('key').equals('parts').toArray()).map(
        ({ number, rows }) => `${number} ${rows[0]?.label}`,
      ),
      (await store.assets.where('site').equals(ME).toArray()).map(({ retired }) => retired),
      (await store.earlier.toArray()).map(({ day }) => day),
    ];
    office = () =>
      page({
        records: {
          catalogue: [catalogue(1, 'Old')],
          asset: [asset(false)],
          earlier: [earlier('2031-03-01')],
        },
      });
    await pullAll(store);
    expect(await kept()).toEqual([['1 Old'], [false], ['2031-03-01']]);
    office = () =>
      page({
        records: {
          catalogue: [catalogue(2, 'New')],
          asset: [asset(true)],
          earlier: [earlier('2031-04-01')],
        },
      });
    await pullAll(store);
    expect(await kept()).toEqual([['2 New'], [true], ['2031-04-01']]);
    // A page that says nothing of them leaves them as they are.
    office = () => page({});
    await pullAll(store);
    expect(await kept()).toEqual([['2 New'], [true], ['2031-04-01']]);
  });

  const job = (state = 'planned') => ({
    id: '44444444-4444-4444-8444-444444444444',
    site: ME,
    template: ME,
    title: 'Round',
    instructions: '',
    day: '2031-04-05',
    windowFrom: null,
    windowTo: null,
    recipients: [],
    state,
    sheet: { id: SHEET, job: '44444444-4444-4444-8444-444444444444', version: ME },
    sheets: [
      {
        ...{ id: SHEET, version: ME, template: ME, title: 'Round' },
        ...{ asset: null, person: null, expected: true, leftOut: null },
      },
    ],
    expectedSheets: null,
  });
  const onPhone = async () => [
    await store.visits.count(),
    await store.jobs.count(),
    await store.entries.count(),
    await store.photos.count(),
  ];
  const photo = (receivedAt: string | null) => ({
    sha256: 'a'.repeat(64),
    bytes: new Blob(['x']),
    type: 'image/jpeg',
    sheet: SHEET,
    takenAt: '2031-04-05T08:00:00Z',
    receivedAt,
    refused: null,
    uploadUrl: null,
  });

  describe('from a newer office', () => {
    const entry = (more: object = {}) => ({
      ...{ id: '017f22e2-79b0-7cc3-98c4-dc0c0c073990', sheet: SHEET, path: 'temp', kind: 'answer' },
      ...{ value: 3, seen: [], by: ME, device: ME, at: '2031-04-05T08:00:00Z', prev: null },
      ...more,
    });
    const received = (more: object = {}) => ({
      body: entry(more),
      receivedAt: '2031-04-05T08:00:00Z',
    });
    const newer = () =>
      page({
        records: {
          visit: [visit(VISIT)],
          job: [{ ...job('handed over'), parts: [] }],
          entry: [received(), received({ id: event.id, place: { lat: 1 } })],
          tag: [{ id: SHEET, number: 'TH-1' }],
        },
      });

    test('an older phone takes what it knows, and keeps the rest aside until it can read it', async () => {
      office = newer;
      await pullAll(store, RECORDS_0_3 as never);
      // A state and a field that came later, and a kind nobody had heard of.
      expect(await onPhone()).toEqual([1, 0, 1, 0]);
      expect((await store.aside.toArray()).map(({ kind }) => kind).sort()).toEqual([
        'entry',
        'job',
        'tag',
      ]);
      expect(await store.note('cursor')).toBe('at.first.5');

      const newerPhone = {
        ...RECORDS_0_3,
        job: z.looseObject({ id: z.string() }),
        entry: z.object({ body: z.looseObject({ id: z.string() }), receivedAt: z.string() }),
      };
      office = () => page({});
      await pullAll(store, newerPhone as never);
      expect(await onPhone()).toEqual([1, 1, 2, 0]);
      expect((await store.aside.toArray()).map(({ kind }) => kind)).toEqual(['tag']);
    });

    test('what an older phone can read of today’s records, it reads', async () => {
      office = () =>
        page({ records: { visit: [visit(VISIT, [event])], job: [job()], entry: [received()] } });
      await pullAll(store, RECORDS_0_3 as never);
      expect(await store.aside.count()).toBe(0);
      expect(await onPhone()).toEqual([1, 1, 1, 0]);
    });
  });

  test('a visit that was taken away stays while something recorded there is unsent, then goes', async () => {
    office = () => page({ records: { visit: [visit(VISIT)], job: [job()] } });
    await pullAll(store);
    await keepOne(store, draft(1));
    await store.photos.put(photo(null));
    office = (path, sent) =>
      path === '/api/push' ? receipts(idsIn(sent), 'received') : page({ gone: [VISIT] });
    await pullAll(store);
    await clearAway(store, '2031-04-05');
    expect(await onPhone()).toEqual([1, 1, 1, 1]);
    await pushAll(store);
    // The office says it once; what it said is remembered until the photo is there too.
    office = () => page({});
    await pullAll(store);
    await clearAway(store, '2031-04-05');
    expect(await onPhone()).toEqual([1, 1, 1, 1]);
    await store.photos.update('a'.repeat(64), { receivedAt: '2031-04-05T08:00:00Z' });
    await clearAway(store, '2031-04-05');
    expect(await onPhone()).toEqual([0, 0, 0, 0]);
  });

  test('visits that never were on this phone are not remembered', async () => {
    office = () => page({ records: { visit: [visit(VISIT)], job: [job()] }, gone: [ME, SHEET] });
    await pullAll(store);
    await clearAway(store, '2031-04-05');
    expect(await store.note('gone visits')).toBe('[]');
    expect(await onPhone()).toEqual([1, 1, 0, 0]);
  });

  test('a visit taken away and given back stays', async () => {
    office = () => page({ gone: [VISIT] });
    await pullAll(store);
    office = () => page({ records: { visit: [visit(VISIT)], job: [job()] } });
    await pullAll(store);
    await clearAway(store, '2031-04-05');
    expect(await onPhone()).toEqual([1, 1, 0, 0]);
  });

  test('filled anew, the phone lets go what was taken meanwhile, once it is sent', async () => {
    office = () => page({ records: { visit: [visit(VISIT)], job: [job()] } });
    await pullAll(store);
    await keepOne(store, draft(1));
    office = (path, sent) =>
      path === '/api/push' ? receipts(idsIn(sent), 'received') : page({ theirs: [ME] });
    await pullAll(store);
    await clearAway(store, '2031-04-05');
    expect(await onPhone()).toEqual([1, 1, 1, 0]);
    await pushAll(store);
    await clearAway(store, '2031-04-05');
    expect(await onPhone()).toEqual([0, 0, 0, 0]);
  });

  test.each([
    ['approved', '2031-04-19', 1],
    ['approved', '2031-04-20', 0],
    ['in review', '2031-04-20', 0],
    ['under way', '2031-06-20', 1],
    ['returned', '2031-06-20', 1],
  ])('work that is %s is on the phone on %s: %d', async (state, today, left) => {
    office = () => page({ records: { visit: [visit(VISIT)], job: [job(state)] } });
    await pullAll(store);
    const one = await keepOne(store, draft(1));
    await store.entries.update(one.id, { receivedAt: '2031-04-05T08:00:00Z' });
    await store.outbox.clear();
    await clearAway(store, today);
    expect(await onPhone()).toEqual([left, left, left, 0]);
  });

  test('old settled work with something unsent is never cleared away', async () => {
    office = () => page({ records: { visit: [visit(VISIT)], job: [job('approved')] } });
    await pullAll(store);
    await keepOne(store, draft(1));
    await clearAway(store, '2032-01-01');
    expect(await onPhone()).toEqual([1, 1, 1, 0]);
  });

  test('when space runs low, pictures the office has make room', async () => {
    const other = { ...photo(null), sha256: 'b'.repeat(64) };
    await store.photos.bulkPut([photo('2031-04-05T08:00:00Z'), other]);
    const usage = { quota: 100, usage: 80 };
    Object.assign(navigator, { storage: { estimate: () => Promise.resolve(usage) } });
    expect(await makeRoom(store)).toBe(false);
    expect(await store.photos.count()).toBe(2);
    usage.usage = 95;
    expect(await makeRoom(store)).toBe(true);
    expect((await store.photos.toArray()).map(({ sha256 }) => sha256)).toEqual([other.sha256]);
  });
});

test('what an earlier version kept of jobs and visits is read by this one', async () => {
  const name = `test-upgrade-${++count}`;
  const older = new Dexie(`ant-trail-${name}`);
  older.version(3).stores({
    ...{ visits: 'id, day, job', jobs: 'id, site', sites: 'id', templates: 'id', people: 'id' },
    ...{ entries: 'id, sheet', series: 'id, [site+template]', actions: 'id, sheet' },
    ...{ outbox: '++order, id', photos: 'sha256, sheet', notes: 'key', catalogues: 'id, key' },
    ...{ earlier: 'id', assets: 'id, site', aside: 'key' },
  });
  await older
    .table('templates')
    .put({ id: 'v', template: 't', number: 1, body: { title: 'Lift' } });
  await older.table('jobs').put({
    ...{ id: 'j', site: 's', template: 't', title: 'Round', state: 'planned' },
    sheet: { id: SHEET, job: 'j', version: 'v' },
  });
  await older.table('visits').put({ id: 'w', job: 'j', person: ME, day: '2031-04-05', events: [] });
  older.close();
  const now = new LocalStore(name, ON_PHONE);
  expect(await now.jobs.get('j')).toMatchObject({
    expectedSheets: null,
    sheets: [
      {
        ...{ id: SHEET, version: 'v', template: 't', title: 'Lift' },
        ...{ asset: null, person: null, expected: true, leftOut: null },
      },
    ],
  });
  expect((await now.visits.get('w'))?.part).toBe('leads');
});
