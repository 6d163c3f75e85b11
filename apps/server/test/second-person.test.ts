import { randomUUID } from 'node:crypto';
import type { Me } from '@ant-trail/contract/accounts';
import type { JobCard } from '@ant-trail/contract/planning';
import type { Dossier } from '@ant-trail/contract/review';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import type { Entry, HoldValue } from '@ant-trail/core/log';
import {
  askedCode,
  fold,
  givenCode,
  planSheet,
  questionAtPath,
  type QuestionState,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';

const BODY: TemplateBody = {
  title: 'Joint',
  sections: [
    {
      id: 'one',
      title: 'One',
      questions: [
        { kind: 'text', key: 'work', label: 'Work', required: true },
        { kind: 'hold', key: 'check', label: 'Check', required: true },
        { kind: 'hold', key: 'other', label: 'Other', required: false },
      ],
    },
  ],
};

let office: Office;
let org: Organisation;
let technician: Caller;
let reviewer: Caller;
let manager: Caller;
let sheet: string;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  ({ org, technician, reviewer, manager } = await office.newTeam(`second${++count}`));
  const published = await manager.call('POST', '/api/templates', { after: 0, body: BODY });
  const { body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template: (published.body as PublishedTemplate).template },
    ...{ title: 'Joint', instructions: '', day: new Date().toISOString().slice(0, 10) },
    ...{ windowFrom: null, windowTo: null, person: org.people.technician },
    ...{ start: 480, minutes: 30, recipients: [] },
  });
  sheet = (body as JobCard).job.sheet.id;
  await technician.push(asEntry(entryOf(org, { sheet, path: 'work', value: 'done' })));
});

const keyOf = async (who: Caller): Promise<string> =>
  ((await who.call('GET', '/api/me')).body as Me).passKey ?? '';

/** The hold point answered on the technician's phone, with whatever code the reviewer's phone gave. */
async function passed(over: Partial<HoldValue> = {}, more: Partial<Entry> = {}): Promise<Entry> {
  const at = { sheet, path: 'check', person: org.people.reviewer, seen: [] };
  const proof = givenCode(await keyOf(reviewer), askedCode(at), 'passed') ?? '';
  return entryOf(org, {
    ...{ sheet, path: 'check' },
    value: {
      ...{ verdict: 'passed', name: 'Reviewer', person: org.people.reviewer },
      ...{ strokes: [], proof },
      ...over,
    },
    ...more,
  });
}
const outcome = async (who: Caller, entry: Entry): Promise<string> => {
  const [receipt] = await who.push(asEntry(entry));
  return receipt?.reason ?? receipt?.outcome ?? '';
};
async function check(): Promise<QuestionState | null> {
  const { body } = await manager.call('GET', `/api/sheets/${sheet}`);
  const state = fold(planSheet(BODY), (body as Dossier).entries);
  return questionAtPath(state, 'check') ?? null;
}

test('each person has a key of their own, that nobody else is told', async () => {
  const keys = await Promise.all([technician, reviewer, manager].map(keyOf));
  expect(new Set(keys).size).toBe(3);
  for (const key of keys) expect(key).toMatch(/^[0-9a-f]{64}$/);
  const people = await manager.call('GET', '/api/people');
  const pulled = await technician.call('GET', '/api/pull');
  for (const key of keys.slice(1)) expect(JSON.stringify([people, pulled])).not.toContain(key);
});

describe('a hold point on the phone of whoever does the work', () => {
  test('is passed with the code of the second person’s own phone', async () => {
    expect(await outcome(technician, await passed())).toBe('received');
    expect((await check())?.looseEnds).toEqual([]);
  });

  test('is refused with a code that is made up, for another step, verdict or person', async () => {
    const refused = /not one that this person’s phone gave/;
    for (const [value, more] of [
      [{ proof: 'P000000000' }, {}],
      [{ verdict: 'refused', note: 'Loose' }, {}],
      [{ person: org.people.manager }, {}],
      [{ person: randomUUID() }, {}],
      [{}, { path: 'other' }],
    ] satisfies [Partial<HoldValue>, Partial<Entry>][])
      expect(await outcome(technician, await passed(value, more))).toMatch(refused);
  });

  test('is not passed by an old code, nor by naming what never stood there', async () => {
    const first = await passed();
    await technician.push(asEntry(first));
    const seen = [first.id];
    const again = await passed({}, { seen });
    expect(await outcome(technician, again)).toMatch(/Ask them for a new one/);
    const elsewhere = entryOf(org, { sheet, path: 'work', value: 'more' });
    await technician.push(asEntry(elsewhere));
    const { id } = elsewhere;
    const key = await keyOf(reviewer);
    const at = { sheet, path: 'check', person: org.people.reviewer, seen: [id] };
    const proof = givenCode(key, askedCode(at), 'passed') ?? '';
    expect(await outcome(technician, await passed({ proof }, { seen: [id] }))).toMatch(/Ask them/);
  });

  test('is taken in without a code, and does not count', async () => {
    const person = org.people.reviewer;
    const strokes = [[[0, 0] as const, [1, 1] as const]];
    const value = { verdict: 'passed', name: 'Reviewer', person, strokes } as const;
    const unproven = entryOf(org, { sheet, path: 'check', value });
    expect(await outcome(technician, unproven)).toBe('received');
    expect((await check())?.looseEnds.map(({ missing }) => missing)).toEqual(['proof']);
  });
});

test('whoever passes it may also do so under their own sign-in, and in no one else’s name', async () => {
  const own = { by: org.people.reviewer };
  const value = { verdict: 'passed', name: 'R', person: org.people.reviewer, strokes: [] } as const;
  const entry = (over: Partial<Entry>): Entry =>
    entryOf(org, { sheet, path: 'check', value, ...own, ...over });
  const other = { ...value, person: org.people.manager };
  expect(await outcome(reviewer, entry({ value: other }))).toMatch(/somebody else’s/);
  expect(await outcome(reviewer, entry({ path: 'work' }))).toMatch(/Work/);
  expect(await outcome(reviewer, entry({}))).toBe('received');
  expect((await check())?.looseEnds).toEqual([]);
});
