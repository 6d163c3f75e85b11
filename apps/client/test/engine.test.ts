import { LocalStore } from '@/device/local-store.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';
import { useSession } from '@/features/accounts/session.ts';
import { SyncEngine, useSync } from '@/features/sync/engine.ts';
import { holdInHand } from '@/features/sync/in-hand.ts';
import { entryFrom, keepEntries } from '@/features/sync/outbox.ts';
import { ME, SHEET, signIn } from './support/sheet.tsx';

type Answer = { status: number; body: unknown } | 'no network';

interface Options {
  readonly uploadUrl: string | null;
  readonly metadata: { readonly sha256: string };
  readonly onUploadUrlAvailable: () => void;
  readonly onSuccess: () => void;
  readonly onError: (error: Error) => void;
}

/** What the uploader was asked to do, and what becomes of it. */
const mockUploads = {
  started: [] as { url: string | null }[],
  end: 'through' as 'through' | 'cut off' | 'refused' | 'damaged' | 'office fails',
  /** How single photos end, by their SHA-256, where they differ. */
  ends: {} as Record<string, 'refused' | 'office fails'>,
};
jest.mock('tus-js-client', () => {
  const SAID = {
    refused: [415, { code: 'no-picture', message: 'This is no picture.' }],
    damaged: [422, { code: 'photo-damaged', message: 'It was damaged.' }],
    'office fails': [503, { code: 'upload-failed', message: 'Not just now.' }],
  } as const;
  class DetailedError extends Error {
    originalResponse: { getStatus: () => number; getBody: () => string };
    constructor(how: keyof typeof SAID) {
      super(how);
      const [status, body] = SAID[how];
      this.originalResponse = { getStatus: () => status, getBody: () => JSON.stringify(body) };
    }
  }
  class Upload {
    url = '/uploads/1';
    options: Options;
    constructor(_bytes: Blob, options: Options) {
      this.options = options;
    }
    start(): void {
      const end = mockUploads.ends[this.options.metadata.sha256] ?? mockUploads.end;
      mockUploads.started.push({ url: this.options.uploadUrl });
      this.options.onUploadUrlAvailable();
      if (end === 'through') this.options.onSuccess();
      else if (end === 'cut off') this.options.onError(new Error('cut off'));
      else this.options.onError(new DetailedError(end));
    }
  }
  return { Upload, DetailedError };
});

const AT = '2031-04-05T08:00:00Z';
const SHA = 'a'.repeat(64);
let store: LocalStore;
let engine: SyncEngine;
let asked: string[];
let office: (path: string, body: unknown) => Answer;
let count = 0;

const EMPTY_PAGE = {
  cursor: 'at.first.5',
  more: false,
  through: '2031-04-12',
  changes: [],
  visits: null,
};

/** An office that takes everything, and has the pictures it is said to have. */
const kindOffice =
  (has: readonly string[] = []) =>
  (path: string, body: unknown): Answer => {
    if (path.startsWith('/api/pull')) return { status: 200, body: EMPTY_PAGE };
    if (path === '/api/push') {
      const { operations } = body as { operations: { body: { id: string } }[] };
      const receipts = operations.map((one) => ({ id: one.body.id, outcome: 'received', at: AT }));
      return { status: 200, body: { receipts } };
    }
    return { status: 200, body: { received: has.map((sha256) => ({ sha256, at: AT })) } };
  };

beforeEach(() => {
  signIn();
  store = new LocalStore(`engine-${++count}`, ON_PHONE);
  engine = new SyncEngine(store);
  asked = [];
  office = kindOffice();
  mockUploads.started = [];
  mockUploads.end = 'through';
  mockUploads.ends = {};
  useSync.setState({ state: 'idle', spaceIsLow: false, interrupted: false });
  globalThis.fetch = ((path: string, init?: { body?: string }) => {
    asked.push(path.split('?')[0] ?? '');
    const answer = office(path, init?.body ? JSON.parse(init.body) : undefined);
    if (answer === 'no network') return Promise.reject(new TypeError('no network'));
    const { status, body } = answer;
    return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) });
  }) as never;
});
afterEach(() => engine.stop());

const say = (value: number): void =>
  holdInHand(store, [
    entryFrom({ sheet: SHEET, path: 'temp', kind: 'answer', value, unit: 'Cel', seen: [], by: ME }),
  ]);
const photo = () =>
  store.photos.put({
    ...{ sha256: SHA, bytes: new Blob(['x']), type: 'image/jpeg', sheet: SHEET, takenAt: AT },
    ...{ receivedAt: null, refused: null, uploadUrl: null },
  });

test('one exchange keeps what was in hand, sends it, fetches, and then sends photos', async () => {
  say(41);
  await photo();
  await engine.now();
  expect(asked).toEqual(['/api/push', '/api/pull', '/api/media/receipts', '/api/media/receipts']);
  expect((await store.entries.toArray()).map(({ receivedAt }) => receivedAt)).toEqual([AT]);
  expect(useSync.getState().state).toBe('idle');
});

test('what is said during an exchange goes out with the next, without two at a time', async () => {
  say(41);
  const first = engine.now();
  say(42);
  expect(engine.now()).toBe(first);
  await first;
  await new Promise((resolve) => setTimeout(resolve, 50));
  await engine.now();
  expect(await store.outbox.count()).toBe(0);
  expect(await store.entries.count()).toBe(2);
});

test('with no network everything stays, and goes out when there is one', async () => {
  say(41);
  office = () => 'no network';
  await engine.now();
  expect(useSync.getState()).toMatchObject({ state: 'no network', interrupted: true });
  expect(await store.outbox.count()).toBe(1);
  office = kindOffice();
  engine.start();
  dispatchEvent(new Event('online'));
  await engine.now();
  expect(await store.outbox.count()).toBe(0);
  expect(useSync.getState().state).toBe('idle');
});

test('an office that wants a sign-in gets nothing and loses nothing', async () => {
  say(41);
  office = () => ({ status: 401, body: { code: 'sign-in', message: 'Sign in again.' } });
  await engine.now();
  expect(useSync.getState().state).toBe('sign in');
  expect(useSession.getState().lapsed).toBe('ended');
  expect(await store.outbox.count()).toBe(1);
});

test('a photo is received only when the office says it has it', async () => {
  await photo();
  await engine.now();
  expect((await store.photos.get(SHA))?.receivedAt).toBeNull();
  office = kindOffice([SHA]);
  await engine.now();
  expect((await store.photos.get(SHA))?.receivedAt).toBe(AT);
  expect(mockUploads.started).toHaveLength(1);
});

test('an answer of the office that is not understood keeps no photo from going out', async () => {
  say(41);
  await photo();
  office = (path, body) =>
    path.startsWith('/api/pull') ? { status: 200, body: {} } : kindOffice([SHA])(path, body);
  await engine.now();
  expect(useSync.getState().state).toBe('failed');
  expect(await store.outbox.count()).toBe(0);
  expect((await store.photos.get(SHA))?.receivedAt).toBe(AT);
});

test('an upload that was cut off goes on where it was', async () => {
  await photo();
  mockUploads.end = 'cut off';
  await engine.now();
  expect(useSync.getState().state).toBe('no network');
  mockUploads.end = 'through';
  await engine.now();
  expect(mockUploads.started).toEqual([{ url: null }, { url: '/uploads/1' }]);
});

test('a photo the office refuses stays with the office’s words, and is not sent again by itself', async () => {
  await photo();
  mockUploads.end = 'refused';
  await engine.now();
  await engine.now();
  expect(await store.photos.get(SHA)).toMatchObject({
    ...{ refused: 'This is no picture.', receivedAt: null, uploadUrl: null },
  });
  expect(mockUploads.started).toHaveLength(1);
});

test('what is damaged on the phone is set aside, and holds up neither what goes out nor what comes in', async () => {
  await store.outbox.bulkAdd([
    { id: 'a', operation: undefined as never, queuedAt: AT, refused: null },
    { id: 'b', operation: { kind: 'entry', body: null } as never, queuedAt: AT, refused: null },
    { id: 'c', operation: { body: { id: 'c' } } as never, queuedAt: AT, refused: null },
  ]);
  say(41);
  await engine.now();
  expect(useSync.getState().state).toBe('idle');
  const left = await store.outbox.toArray();
  expect(left.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
  for (const { refused } of left) expect(refused).toMatch(/damaged/);
});

describe('photos that fail', () => {
  const photos = (...names: string[]) =>
    store.photos.bulkPut(
      names.map((sha256) => ({
        ...{ sha256, bytes: new Blob(['x']), type: 'image/jpeg', sheet: SHEET, takenAt: AT },
        ...{ receivedAt: null, refused: null, uploadUrl: null },
      })),
    );
  const [A, B, C, D] = ['a', 'b', 'c', 'd'].map((sign) => sign.repeat(64)) as [
    string,
    string,
    string,
    string,
  ];
  const received = async (): Promise<string[]> =>
    (await store.photos.filter(({ receivedAt }) => receivedAt !== null).toArray()).map(
      ({ sha256 }) => sha256,
    );
  /** An office that has what was uploaded to it. */
  const takingOffice = (path: string, body: unknown): Answer => {
    if (!path.startsWith('/api/media')) return kindOffice()(path, body);
    const { sha256 } = body as { sha256: string[] };
    return kindOffice(mockUploads.started.length > 0 && sha256.length === 1 ? sha256 : [])(
      path,
      body,
    );
  };

  test('one at which the office fails holds up none behind it', async () => {
    await photos(A, B, C);
    mockUploads.ends = { [A]: 'office fails' };
    office = takingOffice;
    await engine.now();
    expect(await received()).toEqual([B, C]);
    expect(useSync.getState().state).toBe('failed');
    mockUploads.ends = {};
    await engine.now();
    expect(await received()).toEqual([A, B, C]);
  });

  test('where all fail, the office is left alone until later', async () => {
    await photos(A, B, C, D);
    mockUploads.end = 'office fails';
    await engine.now();
    expect(mockUploads.started).toHaveLength(3);
    expect(await store.photos.filter(({ refused }) => refused !== null).count()).toBe(0);
  });

  test('one damaged on its way goes again, from its beginning; one damaged here is named', async () => {
    await photos(A);
    mockUploads.end = 'damaged';
    await engine.now();
    expect(await store.photos.get(A)).toMatchObject({ refused: null, uploadUrl: null });
    await engine.now();
    expect((await store.photos.get(A))?.refused).toMatch(/kept on this phone is damaged/);
    expect(mockUploads.started).toEqual([{ url: null }, { url: null }]);
  });
});

test('everything is asked for in the name of this window’s person, and another’s session stops it', async () => {
  const named: (string | undefined)[] = [];
  const fetching = globalThis.fetch;
  globalThis.fetch = ((path: string, init: { headers: Record<string, string> }) => {
    named.push(init.headers['X-Ant-Trail-Person']);
    return fetching(path, init);
  }) as never;
  say(41);
  office = () => ({
    status: 401,
    body: { code: 'someone-else', message: 'Somebody else is signed in.' },
  });
  await engine.now();
  expect(named).toEqual([ME]);
  expect(useSync.getState().state).toBe('sign in');
  expect(useSession.getState().lapsed).toBe('someone else');
  expect(await store.outbox.count()).toBe(1);
  // Signed in again it goes out by itself.
  office = kindOffice();
  engine.start();
  await engine.now();
  useSession.setState({ lapsed: 'ended' });
  say(42);
  useSession.setState({ lapsed: null });
  const until = Date.now() + 5_000;
  while ((await store.entries.count()) < 2 && Date.now() < until)
    await new Promise((done) => setTimeout(done, 20));
  expect(await store.entries.count()).toBe(2);
});

test('a page of somebody else’s network in the office’s place is no answer', async () => {
  say(41);
  globalThis.fetch = (() =>
    Promise.resolve({
      ok: true,
      status: 200,
      json: () => Promise.reject(new SyntaxError('Unexpected token <')),
    })) as never;
  await engine.now();
  expect(useSync.getState().state).toBe('office away');
  expect(await store.outbox.count()).toBe(1);
});

describe('what is large', () => {
  const sketch = (): void =>
    holdInHand(store, [
      entryFrom({
        ...{ sheet: SHEET, path: 'plan', kind: 'answer', seen: [], by: ME },
        value: 'x'.repeat(9_000),
      }),
    ]);
  const sent = (body: unknown): number => (body as { operations: unknown[] }).operations.length;

  test('goes out in pieces the office takes', async () => {
    for (let n = 0; n < 250; n++) sketch();
    const pieces: number[] = [];
    office = (path, body) => {
      if (path === '/api/push') {
        expect(JSON.stringify(body).length).toBeLessThan(1_100_000);
        pieces.push(sent(body));
      }
      return kindOffice()(path, body);
    };
    await engine.now();
    expect(pieces.reduce((sum, piece) => sum + piece, 0)).toBe(250);
    expect(await store.outbox.count()).toBe(0);
  });

  test('refused for its size alone, it stays with the reason and holds up nothing', async () => {
    const plan = (characters: number) =>
      entryFrom({
        ...{ sheet: SHEET, path: 'plan', kind: 'answer', seen: [], by: ME },
        value: 'x'.repeat(characters),
      });
    const [before, large, after] = [plan(10), plan(4_500_000), plan(20)];
    await keepEntries(store, [before, large, after]);
    const problem = { code: 'too-large', message: 'This is too large to take at once.' };
    office = (path, body) =>
      path === '/api/push' && JSON.stringify(body).length > 4_000_000
        ? { status: 413, body: problem }
        : kindOffice()(path, body);
    await engine.now();
    expect(await store.outbox.toArray()).toMatchObject([
      { id: large.id, refused: problem.message },
    ]);
    expect((await store.entries.get(after.id))?.receivedAt).toBe(AT);
  });

  test('many photos are asked about a few hundred at a time', async () => {
    await store.photos.bulkPut(
      Array.from({ length: 450 }, (_, n) => ({
        ...{ sha256: n.toString(16).padStart(64, '0'), bytes: new Blob(), type: 'image/jpeg' },
        ...{ sheet: SHEET, takenAt: AT, receivedAt: null, refused: null, uploadUrl: null },
      })),
    );
    office = (path, body) => {
      if (!path.startsWith('/api/media')) return kindOffice()(path, body);
      const { sha256 } = body as { sha256: string[] };
      expect(sha256.length).toBeLessThanOrEqual(500);
      return kindOffice(sha256)(path, body);
    };
    await engine.now();
    expect(await store.photos.filter(({ receivedAt }) => receivedAt === null).count()).toBe(0);
    expect(mockUploads.started).toEqual([]);
  });
});

test('what is said in the last moments of an exchange does not wait for the next regular one', async () => {
  const kind = office;
  let rounds = 0;
  office = (path, body) => {
    if (path.startsWith('/api/pull')) {
      rounds++;
      engine.soon();
    }
    return kind(path, body);
  };
  await engine.now();
  const until = Date.now() + 5_000;
  while (rounds < 2 && Date.now() < until) await new Promise((done) => setTimeout(done, 50));
  engine.stop();
  expect(rounds).toBeGreaterThan(1);
});
