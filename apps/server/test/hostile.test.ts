import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { timeOrderedId } from '@ant-trail/core/log';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let technician: Caller;
let reviewer: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  ({ org, technician, reviewer } = await office.newTeam(`hostile${++count}`));
});

interface Receipts {
  readonly receipts: { id: string; outcome: string; reason?: string }[];
}

let turn = 0;
const freshId = (): string =>
  timeOrderedId(Date.now() + ++turn, crypto.getRandomValues(new Uint8Array(16)));
const arrival = (over: object = {}) => ({
  kind: 'visit event',
  body: {
    id: freshId(),
    visit: org.visit,
    kind: 'arrived',
    by: org.people.technician,
    at: new Date().toISOString(),
    fix: { lat: 38, lon: -41, accuracy: 9 },
    distance: 4,
    ...over,
  },
});
const note = () => ({
  kind: 'site note',
  body: {
    ...{ id: freshId(), site: org.site, text: 'Ring twice', by: org.people.technician },
    at: new Date().toISOString(),
  },
});
const action = (over: object = {}) => ({
  kind: 'action',
  body: {
    id: freshId(),
    site: org.site,
    sheet: org.sheet,
    key: 'temp',
    title: 'Re-line',
    details: 'soon',
    severity: 3,
    owner: org.people.technician,
    dueOn: '2031-01-01',
    ...over,
  },
});
const photo = () =>
  asEntry(
    entryOf(org, {
      path: 'view~photo~p1',
      value: {
        sha256: 'a'.repeat(64),
        type: 'image/jpeg',
        bytes: 9,
        width: 4,
        height: 3,
        takenAt: '2031-01-01T00:00:00Z',
        comment: 'near',
      },
    }),
  );

/** So deep that whatever calls itself on it runs out of stack. */
function nested(depth: number): unknown {
  let inner: unknown = 1;
  for (let i = 0; i < depth; i++) inner = [inner];
  return inner;
}

const push = (...operations: unknown[]) => technician.call('POST', '/api/push', { operations });

describe('one bad operation among good ones', () => {
  test.each<[string, () => unknown]>([
    ['half a character', () => asEntry(entryOf(org, { path: 'never', value: 'a\ud800b' }))],
    ['a year 0000', () => asEntry(entryOf(org, { at: '0000-01-01T00:00:00Z' }))],
    ['an action due in year 0000', () => action({ dueOn: '0000-01-01' })],
    ['a visit event in year 0000', () => arrival({ at: '0000-01-01T00:00:00Z' })],
    ['an id that is an object', () => ({ kind: 'entry', body: { id: { toString: 1 } } })],
    ['no body at all', () => ({ kind: 'entry', body: null })],
    ['a member of objects as an answer', () => asEntry(entryOf(org, { value: 'toString' }))],
    ['an action about nothing that is asked', () => action({ key: 'nowhere' })],
    ['a sheet of nobody', () => asEntry(entryOf(org, { sheet: randomUUID() }))],
    ['a kind nobody knows', () => ({ kind: 'constructor', body: {} })],
  ])('%s is refused in words, and the others are taken', async (_name, bad) => {
    const good = entryOf(org, { value: 30 });
    const { status, body } = await push(asEntry(good), bad(), arrival());
    expect(status).toBe(200);
    expect((body as Receipts).receipts.map(({ outcome }) => outcome)).toEqual([
      'received',
      'refused',
      'received',
    ]);
    expect((body as Receipts).receipts[1]?.reason).toMatch(/\w{3}.*[.?)]$/);
  });

  test('nesting as deep as any stack is refused by itself', async () => {
    const deep = JSON.stringify({ kind: 'entry', body: 'HERE' }).replace(
      '"HERE"',
      `${'['.repeat(200_000)}1${']'.repeat(200_000)}`,
    );
    const good = JSON.stringify(asEntry(entryOf(org)));
    const { status, body } = await technician.call(
      'POST',
      '/api/push',
      `{"operations":[${deep},${good}]}`,
    );
    expect(status).toBe(200);
    expect((body as Receipts).receipts.map(({ outcome }) => outcome)).toEqual([
      'refused',
      'received',
    ]);
    expect((await technician.call('POST', '/api/actions', nested(3_000))).status).toBe(403);
    expect((await reviewer.call('POST', '/api/actions', nested(3_000))).status).toBe(400);
  });

  test('an id in capitals is the same id', async () => {
    const one = entryOf(org);
    const loud = { ...one, id: one.id.toUpperCase() };
    const { body } = await push(asEntry(loud), asEntry(one), asEntry(loud));
    expect((body as Receipts).receipts).toMatchObject([
      { id: loud.id, outcome: 'received' },
      { id: one.id, outcome: 'already had' },
      { id: loud.id, outcome: 'already had' },
    ]);
    expect((await pull(technician)).of('entry')).toHaveLength(1);
  });
});

test('the same things sent at once by several senders arrive once, and nobody is turned away', async () => {
  const things = [
    ...Array.from({ length: 10 }, () => arrival()),
    ...Array.from({ length: 10 }, () => action()),
    ...Array.from({ length: 10 }, () => asEntry(entryOf(org))),
  ];
  const sent = await Promise.all(
    Array.from({ length: 8 }, (_, n) => push(...(n % 2 ? things : [...things].reverse()))),
  );
  const outcomes = sent.flatMap(({ status, body }) => {
    expect(status).toBe(200);
    return (body as Receipts).receipts.map(({ outcome }) => outcome);
  });
  expect(outcomes.filter((outcome) => outcome === 'received')).toHaveLength(30);
  expect(outcomes.filter((outcome) => outcome === 'already had')).toHaveLength(210);
});

test.each([
  ['a visit event', () => arrival(), { kind: 'left' }],
  ['an action', () => action(), { title: 'Something else' }],
])('%s with other content under a known id is refused', async (_name, make, other) => {
  const first = make();
  expect(await technician.push(first)).toMatchObject([{ outcome: 'received' }]);
  expect(await technician.push(first)).toMatchObject([{ outcome: 'already had' }]);
  expect(await technician.push({ ...first, body: { ...first.body, ...other } })).toMatchObject([
    { outcome: 'refused', reason: expect.stringMatching(/something else/) as unknown },
  ]);
});

describe('whatever is changed in an operation', () => {
  const weird = fc.oneof(
    fc.constantFrom<unknown>(
      null,
      true,
      '',
      'toString',
      '__proto__',
      'constructor',
      'a\u0000b',
      '\udc00',
      '0000-01-01',
      '0000-01-01T00:00:00Z',
      '9999-12-31T23:59:59Z',
      '00000000-0000-0000-0000-000000000000',
      'x'.repeat(20_000),
      '~stage',
      '~blanks~x',
      'temp~photo~',
      'rows/a/b',
      1e308,
      -1,
      0.1,
      [],
      {},
      [[[]]],
      { toString: 1 },
      { sha256: 'x' },
      { closed: ['temp'] },
      { covered: { constructor: 'x' } },
      { order: 1, name: 'x' },
      { shares: { __proto__: 1 } },
    ),
    fc.json().map((text) => JSON.parse(text) as unknown),
    fc.string({ unit: 'binary' }),
  );
  type Mutation = { at: number; how: 'put' | 'drop' | 'add' | 'loud'; value: unknown };
  const mutation: fc.Arbitrary<Mutation> = fc.record({
    at: fc.nat(40),
    how: fc.constantFrom('put', 'put', 'put', 'drop', 'add', 'loud'),
    value: weird,
  });

  /** Every place in a thing that holds something, as the object and the key it is under. */
  function placesIn(thing: unknown, found: [Record<string, unknown>, string][] = []) {
    if (typeof thing === 'object' && thing !== null)
      for (const key of Object.keys(thing)) {
        found.push([thing as Record<string, unknown>, key]);
        placesIn((thing as Record<string, unknown>)[key], found);
      }
    return found;
  }

  function mutate(operation: unknown, { at, how, value }: Mutation): unknown {
    const copy = structuredClone(operation);
    const places = placesIn(copy);
    const [holder, key] = places[at % places.length] ?? [];
    if (!holder || key === undefined) return value;
    if (how === 'put') holder[key] = value;
    else if (how === 'drop') delete holder[key];
    else if (how === 'add') holder['more'] = value;
    else if (typeof holder[key] === 'string') holder[key] = holder[key].toUpperCase();
    return copy;
  }

  test('each gets its receipt, the good ones get in, and the sheet can still be read', async () => {
    const makes = [
      () => asEntry(entryOf(org)),
      () => asEntry(entryOf(org, { path: '~stage', kind: 'finish', value: null })),
      () => photo(),
      () => arrival(),
      () => action(),
      () => arrival({ kind: 'turned back', reason: 'Locked' }),
      () => note(),
    ];
    const cases = fc.array(fc.tuple(fc.nat(makes.length - 1), mutation), {
      minLength: 20,
      maxLength: 40,
    });
    let tried = 0;
    await fc.assert(
      fc.asyncProperty(cases, async (batch) => {
        const good = entryOf(org, { value: 31 });
        const bad = batch.map(([which, how]) => mutate(makes[which]?.(), how));
        tried += bad.length;
        const { status, body } = await push(...bad, asEntry(good));
        expect(status).toBe(200);
        const { receipts } = body as Receipts;
        expect(receipts).toHaveLength(bad.length + 1);
        expect(receipts.at(-1)).toMatchObject({ id: good.id, outcome: 'received' });
        for (const { outcome, reason } of receipts)
          if (outcome === 'refused') expect(reason?.trim()).toBeTruthy();
      }),
      { numRuns: 120 },
    );
    expect(tried).toBeGreaterThan(2_400);
    await office.settled();
    await pull(technician);
    for (const at of ['', '/answers.csv', '/answers.xlsx', '/report.pdf'])
      expect(`${at} ${(await reviewer.call('GET', `/api/sheets/${org.sheet}${at}`)).status}`).toBe(
        `${at} 200`,
      );
  }, 180_000);

  test('no other route fails either', async () => {
    const manager = await office.signIn(org.emails.manager);
    const bodies: [string, string, unknown][] = [
      ['POST', '/api/actions', action().body],
      ['POST', `/api/actions/${freshId()}/moves`, { to: 'done', note: 'x' }],
      [
        'POST',
        '/api/jobs',
        {
          ...{ site: org.site, template: org.template, title: 'Job', instructions: '' },
          ...{ day: '2031-01-01', windowFrom: null, windowTo: null, start: 480, minutes: 45 },
          ...{ person: org.people.technician, recipients: [] },
        },
      ],
      [
        'PUT',
        `/api/visits/${org.visit}/plan`,
        { person: org.people.technician, day: '2031-01-01', start: 480, minutes: 30 },
      ],
      [
        'POST',
        '/api/sites',
        {
          ...{ name: 'Place', client: '', address: '', lat: 1, lon: 2, access: '' },
          ...{ hazards: ['Dog'], contacts: [{ name: 'A', role: '', phone: '', email: '' }] },
        },
      ],
      [
        'POST',
        '/api/people',
        {
          ...{ name: 'Ode', email: 'ode@new.example', phone: '', trade: '', roles: ['technician'] },
          credentials: [{ kind: 'Licence', number: '1', issuer: 'Guild', expiresOn: '2031-01-01' }],
        },
      ],
      ['PUT', `/api/people/${freshId()}/retired`, { retired: true }],
      ['PUT', `/api/sites/${org.site}/retired`, { retired: false }],
      ['POST', '/api/invitations', { token: 'x', password: 'twelve letters' }],
      ['POST', `/api/sites/${org.site}/assets`, { kind: 'pump', name: 'One' }],
      [
        'POST',
        '/api/catalogues',
        {
          ...{ key: 'stock', name: 'Stock', after: 0 },
          columns: [{ key: 'par', label: 'Par', kind: 'number' }],
          rows: [{ code: '1', label: 'Oats', fields: { par: 4 } }],
        },
      ],
      ['POST', '/api/media/receipts', { sha256: ['a'.repeat(64)] }],
      ['POST', '/api/tables', { name: 'x.csv', content: 'YSxi' }],
      ['POST', '/api/sign-in', { email: 'a@b.example', password: 'x' }],
    ];
    await fc.assert(
      fc.asyncProperty(fc.nat(bodies.length - 1), mutation, async (which, how) => {
        const [method, at, body] = bodies[which] ?? ['', '', null];
        const { status } = await manager.call(method, at, mutate(body, how));
        expect(`${method} ${at} ${status}`).toMatch(/ [234]\d\d$/);
      }),
      { numRuns: 800 },
    );
  }, 120_000);
});

test.each([
  ['an address that can’t be read', 'GET', '/api/sheets/%E0%A4%A', {}],
  ['an address with half a character', 'GET', '/%', {}],
  ['an origin that is no address', 'POST', '/api/sign-out', { origin: 'null://[' }],
  ['an upload of nobody', 'HEAD', '/uploads/../../etc/passwd', {}],
])('%s is answered with a refusal and a number to ask by', async (_name, method, at, headers) => {
  const response = await fetch(office.url + at, {
    method,
    headers: { cookie: technician.cookie, ...headers },
  });
  expect(response.status).toBeGreaterThanOrEqual(400);
  expect(response.status).toBeLessThan(500);
  expect(response.headers.get('x-request-id')).toMatch(/^[0-9a-f-]{36}$/);
});
