import { randomBytes } from 'node:crypto';
import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';
import { setTimeout as sleep } from 'node:timers/promises';
import { sha256Hex } from '@ant-trail/core/log';
import { inOrganisation } from '../src/database/tenancy.ts';
import { MediaFiles } from '../src/modules/media/files.ts';
import { ReportMaker } from '../src/modules/reports/maker.ts';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { textOf } from './support/pdf.ts';

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
  ({ org, technician, reviewer, manager } = await office.newTeam(`paper${++count}`));
});

const report = async (): Promise<{ status: number; bytes: ArrayBuffer }> => {
  const response = await fetch(`${office.url}/api/sheets/${org.sheet}/report.pdf`, {
    headers: { cookie: reviewer.cookie },
  });
  return { status: response.status, bytes: await response.arrayBuffer() };
};
const pagesOf = async (): Promise<string[]> => {
  const { status, bytes } = await report();
  expect(status).toBe(200);
  return textOf(bytes);
};
/** Says words where they are asked for: only above 900 degrees. */
const say = async (words: string): Promise<void> => {
  await technician.push(
    asEntry(entryOf(org, { value: 901 })),
    asEntry(entryOf(org, { path: 'never', value: words })),
  );
};
const without = (text: string): string => text.replaceAll(/\s/g, '');

/** A picture as the phone names it, its bytes where uploads end up. */
async function picture(bytes: Buffer, type: string): Promise<void> {
  const sha256 = sha256Hex(bytes);
  const place = path.join(office.filesDir, 'media', org.id, sha256.slice(0, 2));
  await mkdir(place, { recursive: true });
  await writeFile(path.join(place, sha256), bytes);
  const value = {
    ...{ sha256, type, bytes: bytes.length, width: 40, height: 30 },
    ...{ takenAt: '2031-01-01T00:00:00Z', comment: 'As found' },
  };
  await technician.push(
    asEntry(entryOf(org, { path: `view~photo~${randomBytes(4).toString('hex')}`, value } as never)),
  );
}

test('a word of ten thousand letters breaks anywhere, and goes on over pages', async () => {
  const word = Array.from({ length: 10_000 }, (_, i) => String.fromCharCode(97 + (i % 26))).join(
    '',
  );
  await say(word.slice(0, 9_990));
  const pages = await pagesOf();
  expect(pages.length).toBeGreaterThan(2);
  expect(pages.length).toBeLessThan(12);
  expect(without(pages.join(''))).toContain(word.slice(0, 9_990).slice(0, 5));
  const letters = without(pages.join('').replaceAll(/paper\d+.*?version \d+ page \d+ of \d+/g, ''));
  expect(letters).toContain(word.slice(4_000, 4_060));
});

test.each([
  ['signs', '12 ≤ 14 ≥ 3 µm ½ Ω m³ CO₂ ±2 °C → √'],
  ['Greek and Cyrillic', 'Ελληνικά и кириллица'],
  ['Chinese', '水泵运行正常'],
  ['Arabic', 'المضخة تعمل'],
  ['Hebrew', 'המשאבה פועלת'],
  ['emoji', 'Pump 🔧 runs 👍'],
])('%s are written as they are', async (_name, words) => {
  await say(`Here: ${words}`);
  const text = without((await pagesOf()).join(''));
  const wanted = new Set(without(words).normalize('NFKC'));
  const found = new Set(text.normalize('NFKC'));
  expect([...wanted].filter((sign) => !found.has(sign))).toEqual([]);
});

test('a line read from right to left begins at the right, with its numbers the right way round', async () => {
  await say('المضخة 42 تعمل (جيد)');
  const text = (await pagesOf()).join(' ');
  expect(text).toContain('42');
  expect(text).not.toContain('24');
});

test('pictures of every kind that is taken are shown, and one that is broken leaves a gap only', async () => {
  const plain = sharp({ create: { width: 40, height: 30, channels: 4, background: '#ff000080' } });
  await picture(await plain.clone().webp().toBuffer(), 'image/webp');
  await picture(await plain.clone().png().toBuffer(), 'image/png');
  await picture(await plain.clone().jpeg().toBuffer(), 'image/jpeg');
  const before = (await report()).bytes.byteLength;
  await picture(Buffer.from('RIFFxxxxWEBPbroken'), 'image/webp');
  const { status, bytes } = await report();
  expect(status).toBe(200);
  const text = (await textOf(bytes)).join(' ');
  expect(text.match(/As found/g)).toHaveLength(4);
  expect(text.match(/has not arrived yet|can’t be shown/g)).toHaveLength(1);
  expect(before).toBeGreaterThan(5_000);
});

test('a report that takes too long is given up in words, and the next one is made', async () => {
  await say('words');
  const maker = new ReportMaker(
    process.env['TEST_REPORT_WORKER'] ?? '',
    new MediaFiles(office.filesDir),
    1,
  );
  const within = <Result>(work: Parameters<typeof inOrganisation<Result>>[2]) =>
    inOrganisation(office.data, org.id, work);
  await expect(maker.make(org.id, org.sheet, within)).rejects.toMatchObject({
    status: 422,
    message: expect.stringMatching(/too much to draw/) as unknown,
  });
  await maker.close();
  expect((await report()).status).toBe(200);
});

describe('an approval', () => {
  const finish = () => entryOf(org, { path: '~stage', kind: 'finish', value: null });
  async function approve(): Promise<string> {
    const first = entryOf(org, { value: 44 });
    const done = finish();
    await technician.push(asEntry(first), asEntry(done));
    const approval = entryOf(org, {
      ...{ path: '~stage', kind: 'approve', seen: [done.id], by: org.people.reviewer },
      value: { covered: { [first.device]: done.id } },
    });
    const [receipt] = await reviewer.push(asEntry(approval));
    expect(receipt?.outcome).toBe('received');
    return approval.id;
  }
  const rows = <Row>(sql: string): Promise<Row[]> =>
    inOrganisation(office.data, org.id, (db) => db.query<Row[]>(sql));
  async function until(sql: string): Promise<void> {
    for (let tries = 0; tries < 400; tries++) {
      if ((await rows(sql)).length > 0) return;
      await sleep(25);
    }
    throw new Error(`never: ${sql}`);
  }
  const mails = () => rows<{ id: string }>(`SELECT id FROM mail_message`);

  test('is mailed once, and kept as it was whatever comes after', async () => {
    await approve();
    await until(`SELECT 1 FROM approval WHERE mailed_at IS NOT NULL`);
    const kept = await report();
    // An answer of a phone that was away comes in after it.
    await technician.push(
      asEntry(entryOf(org, { value: 99, device: '22222222-2222-4222-8222-222222222222' })),
    );
    const [approval] = await rows<{ answers: string[][]; summary: { stage: string } }>(
      `SELECT answers, summary FROM approval`,
    );
    expect(JSON.stringify(approval?.answers)).toContain('44');
    expect(JSON.stringify(approval?.answers)).not.toContain('99');
    expect(approval?.summary.stage).toBe('approved');
    const { body } = await manager.call('GET', '/api/review');
    expect((body as { rows: { sheet: string }[] }).rows.map(({ sheet }) => sheet)).toEqual([
      org.sheet,
    ]);
    // The sheet is in review again: its report now says what is there now.
    expect((await pagesOf()).join(' ')).toContain('99');
    expect((await textOf(kept.bytes)).join(' ')).not.toContain('99');
    await sleep(300);
    expect(await mails()).toHaveLength(1);
  });

  test('is drawn from what it covers, and given out as the bytes that were kept', async () => {
    await approve();
    await until(`SELECT 1 FROM approval WHERE mailed_at IS NOT NULL`);
    const first = await report();
    await sleep(1_100);
    const again = await report();
    // A report made anew bears another time: these are the same bytes.
    expect(sha256Hex(new Uint8Array(again.bytes))).toBe(sha256Hex(new Uint8Array(first.bytes)));
  });

  test('whose report can’t be sent is seen at the desk, and sent when it is tried again', async () => {
    await inOrganisation(office.data, org.id, (db) =>
      db.query(`UPDATE job SET recipients = '["nobody at all"]'`),
    );
    await approve();
    await until(`SELECT 1 FROM approval WHERE trouble IS NOT NULL`);
    const troubled = async () =>
      (
        (await manager.call('GET', '/api/reports/troubled')).body as {
          reports: { sheet: string; trouble: string }[];
        }
      ).reports;
    expect(await troubled()).toMatchObject([
      { sheet: org.sheet, trouble: expect.stringMatching(/\w/) as unknown },
    ]);
    expect(JSON.stringify(await troubled())).not.toMatch(/\/tmp|\.mjs|at /);
    await inOrganisation(office.data, org.id, (db) =>
      db.query(`UPDATE job SET recipients = '["somebody@paper.example"]'`),
    );
    expect((await manager.call('POST', `/api/sheets/${org.sheet}/report/tries`)).status).toBe(204);
    await until(`SELECT 1 FROM approval WHERE mailed_at IS NOT NULL`);
    expect(await troubled()).toEqual([]);
    expect(await mails()).toHaveLength(1);
  }, 40_000);
});

test('photos stay with their question: one beside it, several in rows, whatever their shape', async () => {
  const shapes = [
    [40, 400],
    [400, 40],
    [30, 30],
    [64, 48],
    [48, 64],
  ] as const;
  const countOf = async (): Promise<number> => (await pagesOf()).length;
  for (const [index, [width, height]] of shapes.entries()) {
    await picture(
      await sharp({ create: { width, height, channels: 3, background: '#446688' } })
        .jpeg()
        .toBuffer(),
      'image/jpeg',
    );
    const pages = await pagesOf();
    expect(pages.join(' ').match(/As found/g)).toHaveLength(index + 1);
    // No page holds photos alone: where they are, their question is.
    for (const page of pages) if (page.includes('As found')) expect(page).toContain('View');
  }
  expect(await countOf()).toBeLessThanOrEqual(3);
});
