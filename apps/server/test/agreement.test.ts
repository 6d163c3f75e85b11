import { inOrganisation } from '../src/database/tenancy.ts';
import type { Dossier } from '@ant-trail/contract/review';
import { entryHash, timeOrderedId, type Entry } from '@ant-trail/core/log';
import type { TemplateBody } from '@ant-trail/core/sheet';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';

let office: Office;
let org: Organisation;
let technician: Caller;
let reviewer: Caller;
let manager: Caller;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  ({ org, technician, reviewer, manager } = await office.newTeam(`agreed${++count}`));
});

const move = (kind: 'finish' | 'return' | 'approve', over: Partial<Entry> = {}): Entry =>
  entryOf(org, {
    ...{ path: '~stage', kind, value: null },
    ...(kind === 'finish' ? {} : { by: org.people.reviewer }),
    ...(kind === 'return' ? { reason: 'once more' } : {}),
    ...over,
  });
const outcome = async (who: Caller, entry: Entry): Promise<string> => {
  const [receipt] = await who.push(asEntry(entry));
  return receipt?.reason ?? receipt?.outcome ?? '';
};
const dossier = async (): Promise<Dossier> =>
  (await manager.call('GET', `/api/sheets/${org.sheet}`)).body as Dossier;
const summary = async () => {
  const { body } = await manager.call('GET', '/api/jobs');
  const { rows } = body as { rows: { job: { state: string } }[] };
  return rows[0]?.job.state;
};

describe('an approval is given', () => {
  test('to a finished sheet only', async () => {
    expect(await outcome(reviewer, move('approve'))).toMatch(/not finished/);
    await technician.push(asEntry(entryOf(org)));
    expect(await outcome(reviewer, move('approve'))).toMatch(/not finished/);
    const finish = move('finish');
    await technician.push(asEntry(finish));
    expect(await outcome(reviewer, move('approve', { seen: [finish.id] }))).toBe('received');
  });

  test('by somebody who has seen the last move of the sheet', async () => {
    const finish = move('finish');
    await technician.push(asEntry(finish));
    const back = move('return', { seen: [finish.id] });
    await reviewer.push(asEntry(back));
    const again = move('finish', { seen: [back.id] });
    await technician.push(asEntry(again));
    expect(await outcome(reviewer, move('approve', { seen: [finish.id] }))).toMatch(/moved on/);
    expect(await outcome(reviewer, move('return', { seen: [] }))).toMatch(/moved on/);
    expect(await outcome(reviewer, move('approve', { seen: [again.id] }))).toBe('received');
  });

  test.each<[string, (sheet: { plan: () => Promise<unknown> }) => Promise<void>]>([
    [
      'answered in it',
      async ({ plan }) => {
        await plan();
        await reviewer.push(asEntry(entryOf(org, { by: org.people.reviewer })));
      },
    ],
    [
      'finished it',
      async ({ plan }) => {
        await plan();
        await reviewer.push(asEntry(move('finish', { by: org.people.reviewer })));
      },
    ],
    [
      'was there',
      async ({ plan }) => {
        await plan();
        await reviewer.push({
          kind: 'visit event',
          body: {
            ...{ id: timeOrderedId(Date.now(), new Uint8Array(16).fill(3)), visit: org.visit },
            ...{ kind: 'arrived', by: org.people.reviewer, at: new Date().toISOString() },
            ...{ fix: null, distance: null },
          },
        });
      },
    ],
  ])('never by who %s, also after it was given to somebody else', async (_name, work) => {
    const planFor = (person: string) =>
      manager.call('PUT', `/api/visits/${org.visit}/plan`, {
        ...{ person, start: 480, minutes: 45 },
        day: new Date().toISOString().slice(0, 10),
      });
    await work({ plan: () => planFor(org.people.reviewer) });
    await planFor(org.people.technician);
    const finish = move('finish');
    await technician.push(asEntry(finish));
    const heads = (await dossier()).entries
      .filter(({ path }) => path === '~stage')
      .map(({ id }) => id);
    expect(await outcome(reviewer, move('approve', { seen: heads }))).toMatch(/Somebody else/);
    const manage = move('approve', { seen: heads, by: org.people.manager });
    expect(await outcome(manager, manage)).toBe('received');
  });

  test('a reviewer who only corrected may approve; what they answer themselves has to be a correction', async () => {
    const wrong = entryOf(org, { value: 405 });
    const finish = move('finish');
    await technician.push(asEntry(wrong), asEntry(finish));
    const by = org.people.reviewer;
    expect(await outcome(reviewer, entryOf(org, { by, value: 40 }))).toMatch(
      /correct it, with a reason/,
    );
    expect(await outcome(reviewer, entryOf(org, { by, kind: 'clear', value: null }))).toMatch(
      /with a reason/,
    );
    const correct = {
      by,
      kind: 'correct',
      value: 40.5,
      seen: [wrong.id],
      reason: 'point',
    } as const;
    expect(await outcome(reviewer, entryOf(org, correct))).toBe('received');
    expect(await outcome(reviewer, move('approve', { seen: [finish.id] }))).toBe('received');
  });
});

describe('what the office fills in beforehand', () => {
  const prepare = (over: Partial<Entry> = {}): Entry =>
    entryOf(org, { by: org.people.manager, path: 'never', kind: 'prepare', value: 'x', ...over });

  test('is for whoever plans, leaves the sheet not begun, and hinders nobody from approving', async () => {
    expect(await outcome(technician, prepare({ by: org.people.technician }))).toMatch(/plans/);
    expect(await outcome(reviewer, prepare({ by: org.people.reviewer }))).toMatch(/plans/);
    const filled = prepare({ value: 'known' });
    expect(await outcome(manager, filled)).toBe('received');
    await office.settled();
    const { job } = await dossier();
    expect(job.state).toBe('planned');
    await technician.push(asEntry(entryOf(org, { path: 'never', value: 'y', seen: [filled.id] })));
    const finish = move('finish');
    await technician.push(asEntry(finish));
    const approve = move('approve', { seen: [finish.id], by: org.people.manager });
    expect(await outcome(manager, approve)).toBe('received');
  });

  test('comes too late where somebody has answered, or the sheet is finished', async () => {
    expect(await outcome(manager, prepare({ path: 'temp', value: 40, unit: 'Cel' }))).toMatch(
      /whoever is there/,
    );
    await technician.push(asEntry(entryOf(org, { path: 'never', value: 'y' })));
    expect(await outcome(manager, prepare())).toMatch(/answered this by now/);
    await technician.push(asEntry(move('finish')));
    expect(await outcome(manager, prepare())).toMatch(/correct it instead/);
  });

  test('also within one push, and taken back only as what it is', async () => {
    const filled = prepare({ value: 'known' });
    const receipts = await manager.push(
      asEntry(filled),
      asEntry(prepare({ kind: 'answer' })),
      asEntry(prepare({ value: null, seen: [filled.id] })),
      asEntry(prepare({ value: 40, seen: [filled.id] })),
    );
    expect(receipts.map((receipt) => receipt.outcome)).toEqual([
      'received',
      'refused',
      'received',
      'refused',
    ]);
  });
});

test('a phone whose clock is far off as it sends has its entries marked; one that tells no time has not', async () => {
  const send = async (clock: unknown): Promise<string[]> => {
    const entry = entryOf(org);
    const { status } = await technician.call('POST', '/api/push', {
      operations: [asEntry(entry)],
      ...(clock === undefined ? {} : { clock }),
    });
    expect(status).toBe(200);
    return (await dossier()).odd[entry.id] ?? [];
  };
  const off = (minutes: number): string => new Date(Date.now() + minutes * 60_000).toISOString();
  expect(await send(off(0))).toEqual([]);
  expect(await send(off(-5))).toEqual([]);
  expect(await send(off(25))).toEqual(['clock']);
  expect(await send(off(-3000))).toEqual(['clock']);
  expect(await send(undefined)).toEqual([]);
  expect(await send('half past')).toEqual([]);
});

describe('what comes after', () => {
  test('a finish is told by what that had seen, whatever the clocks say', async () => {
    const early = entryOf(org, { value: 30, device: '22222222-2222-4222-8222-222222222222' });
    const known = entryOf(org, { value: 31 });
    const finish = move('finish', { value: { covered: { [known.device]: known.id } } });
    await technician.push(asEntry(known), asEntry(finish));
    // Written before the finish, on another device, whose entries the finish did not know.
    expect(early.id < finish.id).toBe(true);
    await technician.push(asEntry(early));
    const { body } = await manager.call('GET', '/api/review');
    const { rows: queue } = body as { rows: { summary: { editedAfterFinish: number } }[] };
    expect(queue[0]?.summary.editedAfterFinish).toBe(1);
  });

  test('an approval brings the sheet back to review, until that is approved as well', async () => {
    const known = entryOf(org, { value: 31 });
    const finish = move('finish', { value: { covered: { [known.device]: known.id } } });
    await technician.push(asEntry(known), asEntry(finish));
    const approve = move('approve', {
      seen: [finish.id],
      value: { covered: { [known.device]: finish.id } },
    });
    await reviewer.push(asEntry(approve));
    expect(await summary()).toBe('approved');
    const late = entryOf(org, { value: 90, device: '22222222-2222-4222-8222-222222222222' });
    await technician.push(asEntry(late));
    expect(await summary()).toBe('in review');
    const again = move('approve', {
      seen: [approve.id],
      value: { covered: { [known.device]: finish.id, [late.device]: late.id } },
    });
    expect(await outcome(reviewer, again)).toBe('received');
    expect(await summary()).toBe('approved');
  });
});

describe('what is odd is taken in, marked and shown', () => {
  const oddOf = async (): Promise<Record<string, string[]>> => (await dossier()).odd;

  test('an entry that names itself, or two that name each other', async () => {
    const self = entryOf(org);
    const own = { ...self, seen: [self.id] };
    const [a, b] = [entryOf(org, { value: 41 }), entryOf(org, { value: 42 })];
    const pair = [
      { ...a, seen: [b.id] },
      { ...b, seen: [a.id] },
    ];
    const receipts = await technician.push(...[own, ...pair].map(asEntry));
    expect(receipts.map((receipt) => receipt.outcome)).toEqual([
      'received',
      'received',
      'received',
    ]);
    expect(await oddOf()).toMatchObject({
      [self.id]: ['names itself'],
      [a.id]: ['names each other'],
    });
    // None of the three vanished between them: they are shown as a disagreement.
    const { body } = await manager.call('GET', `/api/sheets/${org.sheet}/answers.csv`);
    expect(String(body)).toMatch(/40|41|42/);
  });

  test('a clock that is days off', async () => {
    const future = entryOf(org, { at: '2190-01-01T00:00:00Z' });
    const past = entryOf(org, { at: '1999-01-01T00:00:00Z', value: 44 });
    await technician.push(asEntry(future), asEntry(past));
    expect(await oddOf()).toEqual({ [future.id]: ['clock'], [past.id]: ['clock'] });
  });

  test('a gap in what a phone wrote, until that arrives; and a store that was copied', async () => {
    const one = entryOf(org, { value: 41 });
    const two = entryOf(org, { value: 42, prev: entryHash(one) });
    const three = entryOf(org, { value: 43, prev: entryHash(two) });
    await technician.push(asEntry(one), asEntry(three));
    expect(await oddOf()).toEqual({ [three.id]: ['missing before'] });
    await technician.push(asEntry(two));
    expect(await oddOf()).toEqual({});
    const copy = entryOf(org, { value: 44, prev: entryHash(two) });
    await technician.push(asEntry(copy));
    expect(await oddOf()).toEqual({ [copy.id]: ['named twice'] });
  });

  test('a removal may name all that stands in a large row', async () => {
    const seen = Array.from({ length: 20_000 }, (_, i) =>
      timeOrderedId(1_600_000_000_000 + i, new Uint8Array(16).fill(i % 251)),
    );
    expect(await outcome(technician, entryOf(org, { kind: 'clear', value: null, seen }))).toBe(
      'received',
    );
  });
});

test('a template whose rules take too long is named, and the other sheets go on', async () => {
  const slow: TemplateBody = {
    title: 'Slow one',
    sections: [
      {
        id: 's',
        title: 'S',
        questions: Array.from({ length: 400 }, (_, i) => ({
          kind: 'calculated' as const,
          key: `q${i}`,
          label: `Q ${i}`,
          required: false,
          unit: '1',
          // As one that was published before such were refused.
          formula: `size([${Array.from({ length: 150 }, (_, n) => n).join(',')}].filter(x, [${Array.from({ length: 150 }, (_, n) => n).join(',')}].exists(y, y == -1 - ${i})))`,
        })),
      },
    ],
  };
  const [refused] = [await manager.call('POST', '/api/templates', { after: 0, body: slow })];
  expect(refused).toMatchObject({ status: 200 });
  const nested = structuredClone(slow);
  const { questions } = nested.sections[0] ?? { questions: [] };
  const list = `[${Array.from({ length: 150 }, (_, n) => n).join(',')}]`;
  Object.assign(questions[0] ?? {}, {
    formula: `size(${list}.filter(x, ${list}.exists(y, ${list}.exists(z, z == -1))))`,
  });
  expect(await manager.call('POST', '/api/templates', { after: 0, body: nested })).toMatchObject({
    status: 422,
    body: { code: 'template-problem', message: expect.stringMatching(/too long/) as unknown },
  });
  // Published before that was refused: the rule is stopped in the sheet, and named there.
  await inOrganisation(office.data, org.id, (db) =>
    db.query(`UPDATE template_version SET body = $1`, [JSON.stringify(nested)]),
  );
  await technician.push(asEntry(move('finish')));
  expect((await dossier()).trouble).toBeNull();
  expect(await summary()).toBe('in review');
}, 60_000);
