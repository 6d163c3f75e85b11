import { randomBytes, randomUUID } from 'node:crypto';
import type { Asset } from '@ant-trail/contract/register';
import type { LabelGrid } from '@ant-trail/contract/labels';
import type { Tag } from '@ant-trail/contract/tags';
import { timeOrderedId } from '@ant-trail/core/log';
import { readTagNumber, tagCode } from '@ant-trail/core/tags';
import { openOffice, type Caller, type Office, type Organisation } from './support/office.ts';
import { codesOn } from './support/codes-on-paper.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('tags'));
});
afterAll(() => office.close());

/** Common sheets: 3 by 8 on A4, 3 by 10 on Letter (2⅝ by 1 inch), as their makers print the sizes. */
const A4: LabelGrid = {
  ...{ paper: 'A4', columns: 3, rows: 8, width: 70, height: 36 },
  ...{ left: 0, top: 4.5, gapX: 0, gapY: 0 },
};
const LETTER: LabelGrid = {
  ...{ paper: 'Letter', columns: 3, rows: 10, width: 66.7, height: 25.4 },
  ...{ left: 4.8, top: 12.7, gapX: 3.2, gapY: 0 },
};
/** As small as any label that is printed here. */
const SMALL: LabelGrid = {
  ...{ paper: 'A4', columns: 5, rows: 13, width: 38.1, height: 21.2 },
  ...{ left: 4.7, top: 10.7, gapX: 2.5, gapY: 0 },
};

const enter = async (name: string): Promise<string> => {
  const { body } = await manager.call('POST', `/api/sites/${org.site}/assets`, {
    ...{ kind: 'pump', name },
  });
  return (body as Asset).id;
};

async function print(order: object): Promise<Uint8Array> {
  const response = await fetch(`${office.url}/api/labels`, {
    method: 'POST',
    headers: { cookie: manager.cookie, 'content-type': 'application/json' },
    body: JSON.stringify(order),
  });
  if (!response.ok) throw new Error(await response.text());
  return new Uint8Array(await response.arrayBuffer());
}

const bound = (tag: string, asset: string, more: object = {}) => ({
  kind: 'label bound',
  body: {
    ...{ id: timeOrderedId(Date.now(), randomBytes(16)), tag, asset, from: null, instead: null },
    ...{ by: org.people.technician, at: new Date().toISOString() },
    ...more,
  },
});

const loose = async (count: number): Promise<string[]> =>
  (await codesOn(await print({ loose: count, grid: A4 }), 300)).map(({ code }) =>
    code.replace('urn:uuid:', ''),
  );

describe('labels on paper', () => {
  test.each([
    ['24 on A4', A4],
    ['30 on Letter', LETTER],
    ['65 small ones on A4', SMALL],
  ])('%s: an independent reader finds each code where its label is', async (_, grid) => {
    const each = grid.columns * grid.rows;
    const first = 3;
    const shift = { x: 1.5, y: -1 };
    const pages = await codesOn(await print({ loose: each, grid, first, shift }), 300);
    expect(pages.map(({ page }) => page).filter((page) => page === 1)).toHaveLength(each - 2);
    expect(pages.filter(({ page }) => page === 2)).toHaveLength(2);
    expect(new Set(pages.map(({ code }) => code)).size).toBe(each);
    for (const [index, { x, y, code }] of pages.entries()) {
      expect(code).toMatch(/^urn:uuid:[0-9a-f-]{36}$/);
      const at = (index + first - 1) % each;
      const left = grid.left + (at % grid.columns) * (grid.width + grid.gapX) + shift.x;
      const top = grid.top + Math.floor(at / grid.columns) * (grid.height + grid.gapY) + shift.y;
      expect(x).toBeGreaterThan(left);
      expect(x).toBeLessThan(left + grid.width);
      expect(y).toBeGreaterThan(top);
      expect(y).toBeLessThan(top + grid.height);
    }
  });

  test('labels for things are made once, and printed again as they are', async () => {
    const things = [await enter('Pump 1'), await enter('Pump 2')];
    const once = await codesOn(await print({ assets: things, grid: A4 }), 300);
    const again = await codesOn(await print({ assets: things, grid: LETTER }), 300);
    expect(again.map(({ code }) => code)).toEqual(once.map(({ code }) => code));
    const { body } = await manager.call('GET', `/api/sites/${org.site}/tags`);
    const { tags } = body as { tags: Tag[] };
    expect(tags.map(({ asset }) => asset).sort()).toEqual([...things].sort());
    for (const { id, number } of tags) {
      expect(once.map(({ code }) => code)).toContain(tagCode(id));
      expect(readTagNumber(number)).toBe(number);
    }
  });

  test('what can’t be printed is said, and makes no label', async () => {
    const before = await office.data.query<unknown[]>('SELECT FROM tag');
    const wrong = [
      { grid: A4 },
      { loose: 3, assets: [randomUUID()], grid: A4 },
      { loose: 3, grid: A4, first: 25 },
      { loose: 3, grid: { ...A4, width: 5 } },
      { loose: 1001, grid: A4 },
      { assets: [randomUUID()], grid: A4 },
      { loose: 3, grid: A4, shift: { x: 50, y: 0 } },
    ];
    for (const order of wrong) {
      const { status } = await manager.call('POST', '/api/labels', order);
      expect([400, 404]).toContain(status);
    }
    expect(await office.data.query<unknown[]>('SELECT FROM tag')).toEqual(before);
    expect((await technician.call('POST', '/api/labels', { loose: 1, grid: A4 })).status).toBe(403);
  });
});

describe('labels bound from a phone', () => {
  test('are on their things once, whoever sends it again, and phones hear of it', async () => {
    const thing = await enter('Pump 3');
    const [tag = ''] = await loose(1);
    const said = bound(tag, thing);
    expect((await technician.push(said))[0]?.outcome).toBe('received');
    expect((await technician.push(said))[0]?.outcome).toBe('already had');
    expect((await pull(technician)).of('tag')).toContainEqual(
      expect.objectContaining({ id: tag, asset: thing }),
    );
    const story = await manager.call('GET', `/api/assets/${thing}/story`);
    expect(story.body).toMatchObject({
      number: expect.stringMatching(/^\d{8}$/) as string,
      events: [{ kind: 'label bound', by: org.people.technician }, { kind: 'entered' }],
    });
  });

  test('one that is on something else is moved only by whoever knew', async () => {
    const [one, other] = [await enter('Pump 4'), await enter('Pump 5')];
    const [tag = '', second = ''] = await loose(2);
    await technician.push(bound(tag, one));
    expect((await technician.push(bound(tag, other)))[0]).toMatchObject({
      outcome: 'refused',
      reason: expect.stringContaining('Pump 4') as string,
    });
    expect((await technician.push(bound(second, one)))[0]?.outcome).toBe('refused');
    expect((await technician.push(bound(tag, other, { from: one })))[0]?.outcome).toBe('received');
    expect((await technician.push(bound(second, other, { instead: tag })))[0]?.outcome).toBe(
      'received',
    );
    const rows = await office.data.transaction(async (db) => {
      await db.query(`SELECT set_config('app.org_id', $1, true)`, [org.id]);
      return db.query<object[]>(`SELECT id, asset_id FROM tag WHERE id = ANY($1)`, [[tag, second]]);
    });
    expect(rows).toEqual(
      expect.arrayContaining([
        { id: tag, asset_id: null },
        { id: second, asset_id: other },
      ]),
    );
  });

  test('two who bind one label at once: one of them has it', async () => {
    const [one, other] = [await enter('Pump 6'), await enter('Pump 7')];
    const [tag = ''] = await loose(1);
    const words = await Promise.all([
      technician.push(bound(tag, one)),
      technician.push(bound(tag, other)),
    ]);
    expect(words.map(([word]) => word?.outcome).sort()).toEqual(['received', 'refused']);
  });

  test('nobody binds what is not there, in another’s name, or another’s label', async () => {
    const stranger = await office.newTeam('others');
    const thing = await enter('Pump 8');
    const [tag = ''] = await loose(1);
    const wrong = [
      bound(randomUUID(), thing),
      bound(tag, randomUUID()),
      bound(tag, thing, { by: org.people.manager }),
    ];
    for (const each of wrong) expect((await technician.push(each))[0]?.outcome).toBe('refused');
    const theirs = { ...bound(tag, thing, { by: stranger.org.people.technician }) };
    expect((await stranger.technician.push(theirs))[0]?.outcome).toBe('refused');
  });

  test('work can begin at a thing, and at none of another place', async () => {
    const thing = await enter('Pump 9');
    const begin = (asset: string) => ({
      kind: 'job begun',
      body: {
        ...{ id: timeOrderedId(Date.now(), randomBytes(16)), site: org.site, asset },
        visit: timeOrderedId(Date.now(), randomBytes(16)),
        sheet: timeOrderedId(Date.now(), randomBytes(16)),
        ...{ version: org.version, title: 'Round', day: new Date().toISOString().slice(0, 10) },
        ...{ start: 600, by: org.people.technician, at: new Date().toISOString() },
      },
    });
    expect((await technician.push(begin(randomUUID())))[0]?.outcome).toBe('refused');
    const begun = begin(thing);
    expect((await technician.push(begun))[0]?.outcome).toBe('received');
    const job = (await pull(technician)).of('job').find(({ id }) => id === begun.body.id);
    expect(job?.sheets).toMatchObject([{ asset: thing }]);
  });
});

test('at the desk a label is put on by its number', async () => {
  const thing = await enter('Pump 10');
  const [tag = ''] = await loose(1);
  const { body } = await manager.call('POST', '/api/push', { operations: [] });
  expect(body).toEqual({ receipts: [] });
  const rows = await office.data.transaction(async (db) => {
    await db.query(`SELECT set_config('app.org_id', $1, true)`, [org.id]);
    return db.query<{ number: string }[]>(`SELECT number FROM tag WHERE id = $1`, [tag]);
  });
  const number = rows[0]?.number ?? '';
  const put = (typed: string) =>
    manager.call('POST', `/api/assets/${thing}/tag`, { number: typed });
  expect((await put('12345678')).status).toBe(422);
  expect(await put(`${number.slice(0, 4)} ${number.slice(4)}`)).toMatchObject({
    status: 200,
    body: { asset: thing },
  });
  expect((await put(number)).status).toBe(200);
});
