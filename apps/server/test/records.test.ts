import type { JobCard } from '@ant-trail/contract/planning';
import type { FieldFilter } from '@ant-trail/contract/fields';
import type { RecordsAnswer } from '@ant-trail/contract/records';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { recordFields } from '@ant-trail/core/records';
import type { TemplateBody } from '@ant-trail/core/sheet';
import type { z } from 'zod';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Team,
} from './support/office.ts';
import { textOf } from './support/pdf.ts';

const BODY: TemplateBody = {
  title: 'Well check',
  sections: [
    {
      id: 's',
      title: 'S',
      questions: [
        {
          ...{ kind: 'number', key: 'depth', label: 'Depth', unit: 'm', required: true },
          ...{ alsoIn: ['cm'], expected: { high: 10 }, whenAmiss: { severity: 3 } },
        },
        {
          ...{ kind: 'choice', key: 'cover', label: 'Cover', required: true },
          options: [
            { key: 'iron', label: 'Iron lid' },
            { key: 'wood', label: 'Wooden lid' },
          ],
        },
        {
          ...{ kind: 'choices', key: 'seen', label: 'Seen', required: false },
          options: [
            { key: 'moss', label: 'Moss' },
            { key: 'rust', label: 'Rust' },
          ],
        },
        { kind: 'text', key: 'note', label: 'Note', required: false },
        { kind: 'date', key: 'built', label: 'Built', required: false },
        { kind: 'photo', key: 'view', label: 'View', required: false },
      ],
    },
  ],
};

type Answer = z.infer<typeof RecordsAnswer>;
type Said = Readonly<Record<string, readonly [unknown, string?]>>;

let office: Office;
let team: Team;
let manager: Caller;
let technician: Caller;
let template = '';
const sheets: string[] = [];

async function check(day: string, said: Said, isFinished = true): Promise<string> {
  const made = await manager.call('POST', '/api/jobs', {
    ...{ site: team.org.site, template, title: 'Wells', instructions: '', recipients: [] },
    ...{ day, windowFrom: null, windowTo: null, start: 480, minutes: 30 },
    person: team.org.people.technician,
  });
  const { sheet } = (made.body as JobCard).job;
  const entries = [
    ...Object.entries(said).map(([path, [value, unit]]) => ({
      ...{ sheet: sheet.id, path, value },
      ...(unit === undefined ? {} : { unit }),
    })),
    ...(isFinished ? [{ sheet: sheet.id, path: '~stage', kind: 'finish', value: null }] : []),
  ];
  const receipts = await technician.push(
    ...entries.map((entry) => asEntry(entryOf(team.org, entry as never))),
  );
  expect(receipts.map(({ outcome }) => outcome)).toEqual(entries.map(() => 'received'));
  return sheet.id;
}

const ask = async (more: object = {}, who = manager): Promise<{ status: number; body: Answer }> => {
  const asked = new URLSearchParams({ template, ...more });
  const { status, body } = await who.call('GET', `/api/records?${asked}`);
  return { status, body: body as Answer };
};
const found = async (...where: readonly FieldFilter[]): Promise<number[]> =>
  (await ask({ where: JSON.stringify(where), order: 'day' })).body.rows.map(({ id }) =>
    sheets.indexOf(id),
  );

beforeAll(async () => {
  office = await openOffice();
  team = await office.newTeam('records');
  ({ manager, technician } = team);
  const published = await manager.call('POST', '/api/templates', { after: 0, body: BODY });
  ({ template } = published.body as PublishedTemplate);
  const notes = { 2: ['Loose  stones, 50 % gone'], 3: ['_'] } as const;
  sheets.push(
    await check('2031-04-01', { depth: [2, 'm'], cover: ['iron'], seen: [['moss', 'rust']] }),
    await check('2031-04-02', { depth: [950, 'cm'], cover: ['wood'], built: ['1987-05-04'] }),
    await check('2031-04-03', { depth: [12, 'm'], cover: ['iron'], note: notes[2] }),
    await check('2031-04-04', {
      depth: [0.5, 'm'],
      cover: ['wood'],
      note: notes[3],
      seen: [['moss']],
    }),
    await check('2031-04-05', { depth: [3, 'm'], cover: ['iron'] }, false),
  );
});
afterAll(() => office.close());

test('finished sheets of a template, the newest first, with what they say', async () => {
  const { body } = await ask();
  expect(body.total).toBe(4);
  expect(body.rows.map(({ day }) => day)).toEqual([
    '2031-04-04',
    '2031-04-03',
    '2031-04-02',
    '2031-04-01',
  ]);
  expect(body.rows[1]).toMatchObject({
    ...{ site: team.org.site, stage: 'finished', worst: 3, thing: null },
    fields: { depth: { t: '12 m', bad: true }, cover: { t: 'Iron lid' } },
  });
  expect(body.rows[1]?.fields).not.toHaveProperty('view');
});

test.each<[string, FieldFilter[], number[]]>([
  ['a choice', [['cover', 'is', 'iron']], [0, 2]],
  ['one of several that were chosen', [['seen', 'is', 'rust']], [0]],
  ['a number in the question’s own unit, ends included', [['depth', 'from', 2, 9.5]], [0, 1]],
  ['a number with one end', [['depth', 'from', null, 2]], [0, 3]],
  ['words, whatever the case and the spaces', [['note', 'has', 'loose stones']], [2]],
  ['all of the words, as they follow', [['note', 'has', 'loose gone']], []],
  ['words with a percent sign', [['note', 'has', '50 %']], [2]],
  ['an underscore is one', [['note', 'has', '_']], [3]],
  ['days', [['built', 'days', '1987-05-04', null]], [1]],
  ['what is amiss', [['depth', 'bad']], [2]],
  [
    'two at once',
    [
      ['cover', 'is', 'wood'],
      ['seen', 'is', 'moss'],
    ],
    [3],
  ],
  ['a question there is not', [['gone', 'is', 'iron']], []],
  ['words where a number is asked for', [['cover', 'from', 0, 9]], []],
  ['a key that would be more than a key', [["x' OR '1'='1", 'is', 'iron']], []],
])('found by %s', async (_what, where, expected) => {
  expect(await found(...where)).toEqual(expected);
});

test('read on page by page, each once', async () => {
  const seen: string[] = [];
  for (let cursor: string | null | undefined; cursor !== null;) {
    const { body } = await ask({ most: '3', ...(cursor ? { cursor } : {}) });
    seen.push(...body.rows.map(({ id }) => id));
    cursor = body.next;
  }
  expect([...seen].sort()).toEqual(sheets.slice(0, 4).sort());
});

test('what can’t be read is refused, and nothing breaks', async () => {
  for (const where of ['x', '{}', '[["a"]]', '[["a","from","1",2]]', '[["a","days","1","2"]]'])
    expect((await ask({ where })).status).toBe(400);
  expect((await manager.call('GET', '/api/records')).status).toBe(400);
});

test('where they lie: a place each, with how many and the worst', async () => {
  const asked = new URLSearchParams({ template, where: '[["cover","is","iron"]]' }).toString();
  const { body } = await manager.call('GET', `/api/records/places?${asked}`);
  expect(body).toMatchObject({ points: [{ id: team.org.site, count: 2, worst: 3 }] });
});

test('each template tells how many of its sheets are finished', async () => {
  const { body } = await manager.call('GET', '/api/records/templates');
  expect(body).toEqual({ templates: [{ template, count: 4 }] });
  expect((await technician.call('GET', '/api/records/templates')).status).toBe(403);
});

test('as a table the questions are its columns, but those left out', async () => {
  const asked = new URLSearchParams({
    ...{ template, order: 'day', without: 'note,built', where: '[["cover","is","iron"]]' },
  }).toString();
  const { body } = await manager.call('GET', `/api/records.csv?${asked}`);
  const [titles, first, second, ...rest] = String(body).replace('\ufeff', '').trim().split(/\r?\n/);
  expect(titles).toContain('Depth,Cover,Seen,Id');
  expect(first).toContain('2031-04-01');
  expect(first).toContain('2 m,Iron lid,"Moss, Rust"');
  expect(second).toContain('12 m');
  expect(rest).toEqual([]);
});

test('reports of several sheets are one file, and one letter', async () => {
  const response = await fetch(`${office.url}/api/records/reports`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie: manager.cookie },
    body: JSON.stringify({ sheets: [sheets[0], sheets[2], sheets[0]] }),
  });
  const text = (await textOf(await response.arrayBuffer())).join(' ');
  expect(text.match(/Well check/g)?.length).toBeGreaterThanOrEqual(2);
  expect(text).toContain('12 m');
  const mailed = await manager.call('POST', '/api/records/mailing', {
    ...{ sheets: [sheets[0]], to: ['clerk@assembly.example'], words: 'As asked.' },
  });
  expect(mailed.status).toBeLessThan(300);
  const box = await manager.call('GET', '/api/mail?text=clerk');
  expect(box.body).toMatchObject({ rows: [{ to: ['clerk@assembly.example'] }] });
});

test('only who reads at the desk, and of their own organisation', async () => {
  const other = await office.newTeam('records-elsewhere');
  expect((await ask({}, technician)).status).toBe(403);
  expect((await ask({}, other.manager)).body).toMatchObject({ rows: [], total: 0 });
  const asked = { sheets: [sheets[0]] };
  expect((await other.manager.call('POST', '/api/records/reports', asked)).status).toBe(404);
  expect((await technician.call('POST', '/api/records/reports', asked)).status).toBe(403);
  expect(
    (
      await other.manager.call('POST', '/api/records/mailing', {
        ...asked,
        to: ['a@b.example'],
        words: '',
      })
    ).status,
  ).toBe(404);
});

test('what a template’s sheets are found by are its questions that can be compared', () => {
  expect(recordFields(BODY).map(({ key, kind, unit }) => [key, kind, unit])).toEqual([
    ['depth', 'number', 'm'],
    ['cover', 'one of', null],
    ['seen', 'one of', null],
    ['note', 'words', null],
    ['built', 'day', null],
  ]);
});
