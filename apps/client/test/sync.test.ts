import { entryHash, type Entry } from '@ant-trail/core/log';
import { LocalStore } from '@/device/local-store.ts';
import { clearAway, makeRoom } from '@/features/sync/clear-away.ts';
import { entryFrom, keepEntries } from '@/features/sync/outbox.ts';
import { pushAll } from '@/features/sync/push.ts';
import { pullAll } from '@/features/sync/pull.ts';

const ME = '22222222-2222-4222-8222-222222222222';
const SHEET = '33333333-3333-4333-8333-333333333333';

type Answer = { status: number; body: unknown };
let office: (path: string, body: unknown) => Answer;
let store: LocalStore;
let count = 0;

beforeEach(() => {
  store = new LocalStore(`test-${++count}`);
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
  await pushAll(store);
  expect(calls).toBe(1);
  expect(await store.outbox.count()).toBe(1);
});

describe('pull', () => {
  const page = (over: object): Answer => ({
    status: 200,
    body: {
      cursor: 'at.5',
      more: false,
      through: '2031-04-12',
      people: [],
      visits: [],
      jobs: [],
      sites: [],
      templates: [],
      entries: [],
      series: [],
      earlier: [],
      assets: [],
      catalogues: [],
      gone: [],
      ...over,
    },
  });
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
    office = () => page({ visits: [visit(VISIT)] });
    await pullAll(store);
    await store.visits.update(VISIT, { events: [event] as never });
    await pullAll(store);
    expect((await store.visits.get(VISIT))?.events).toEqual([event]);
  });

  test('goes on page by page from where it was', async () => {
    const asked: string[] = [];
    office = (path) => {
      asked.push(path);
      return page(asked.length === 1 ? { cursor: 'fill.3.x', more: true } : {});
    };
    await pullAll(store);
    await pullAll(store);
    expect(asked.map((path) => new URLSearchParams(path.split('?')[1]).get('cursor'))).toEqual([
      null,
      'fill.3.x',
      'at.5',
    ]);
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
        catalogues: [catalogue(1, 'Old')],
        assets: [asset(false)],
        earlier: [earlier('2031-03-01')],
      });
    await pullAll(store);
    expect(await kept()).toEqual([['1 Old'], [false], ['2031-03-01']]);
    office = () =>
      page({
        catalogues: [catalogue(2, 'New')],
        assets: [asset(true)],
        earlier: [earlier('2031-04-01')],
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

  test('a visit that was taken away stays while something recorded there is unsent, then goes', async () => {
    office = () => page({ visits: [visit(VISIT)], jobs: [job()] });
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
    office = () => page({ visits: [visit(VISIT)], jobs: [job()], gone: [ME, SHEET] });
    await pullAll(store);
    await clearAway(store, '2031-04-05');
    expect(await store.note('gone visits')).toBe('[]');
    expect(await onPhone()).toEqual([1, 1, 0, 0]);
  });

  test('a visit taken away and given back stays', async () => {
    office = () => page({ visits: [visit(VISIT)], jobs: [job()], gone: [VISIT] });
    await pullAll(store);
    await clearAway(store, '2031-04-05');
    expect(await onPhone()).toEqual([1, 1, 0, 0]);
  });

  test.each([
    ['approved', '2031-04-19', 1],
    ['approved', '2031-04-20', 0],
    ['in review', '2031-04-20', 0],
    ['under way', '2031-06-20', 1],
    ['returned', '2031-06-20', 1],
  ])('work that is %s is on the phone on %s: %d', async (state, today, left) => {
    office = () => page({ visits: [visit(VISIT)], jobs: [job(state)] });
    await pullAll(store);
    const one = await keepOne(store, draft(1));
    await store.entries.update(one.id, { receivedAt: '2031-04-05T08:00:00Z' });
    await store.outbox.clear();
    await clearAway(store, today);
    expect(await onPhone()).toEqual([left, left, left, 0]);
  });

  test('old settled work with something unsent is never cleared away', async () => {
    office = () => page({ visits: [visit(VISIT)], jobs: [job('approved')] });
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
