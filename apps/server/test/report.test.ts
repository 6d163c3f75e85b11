import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';
import type { JobCard } from '@ant-trail/contract/planning';
import { sha256Hex, type Entry, type PhotoValue } from '@ant-trail/core/log';
import { inOrganisation } from '../src/database/tenancy.ts';
import { lettersOf } from '../src/modules/reports/letters-of.ts';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { freshId } from './support/fresh-id.ts';
import { textOf } from './support/pdf.ts';

let office: Office;
let org: Organisation;
let technician: Caller;
let reviewer: Caller;

beforeAll(async () => {
  office = await openOffice();
  org = await office.newOrganisation('report');
  technician = await office.signIn(org.emails.technician);
  reviewer = await office.signIn(org.emails.reviewer);
  const wrong = entryOf(org, { value: 785 });
  const finish = entryOf(org, { path: '~stage', kind: 'finish', value: null });
  await technician.push(
    asEntry(wrong),
    asEntry(
      entryOf(org, {
        path: 'signed',
        value: {
          name: 'T. Technician',
          strokes: [
            [
              [0.1, 0.1],
              [0.6, 0.2],
            ],
          ],
        },
      }),
    ),
    asEntry(finish),
  );
  await technician.push({
    kind: 'signed on site',
    body: {
      ...{ id: freshId(), job: org.job, visit: org.visit, role: 'warden' },
      signature: {
        name: 'Ansa Fell',
        strokes: [
          [
            [0.1, 0.1],
            [0.5, 0.15],
          ],
        ],
      },
      ...{ by: org.people.technician, at: new Date().toISOString() },
    },
  });
  await reviewer.push(
    asEntry(
      entryOf(org, {
        kind: 'correct',
        value: 78.5,
        reason: 'point forgotten',
        seen: [wrong.id],
        by: org.people.reviewer,
      }),
    ),
    asEntry(
      entryOf(org, {
        path: '~stage',
        kind: 'approve',
        value: null,
        seen: [finish.id],
        by: org.people.reviewer,
      }),
    ),
  );
});
afterAll(() => office.close());

test('the report says who with which credentials, what against which limit, and what was corrected', async () => {
  const response = await fetch(`${office.url}/api/sheets/${org.sheet}/report.pdf`, {
    headers: { cookie: reviewer.cookie },
  });
  expect(response.headers.get('content-type')).toBe('application/pdf');
  const bytes = await response.arrayBuffer();
  const pages = await textOf(bytes);
  const all = pages.join(' ');
  for (const words of [
    'Site of report',
    'technician of report',
    'Licence L-77, Guild, valid to 2 January 2031',
    'version 4',
    '78.5 °C',
    'expected 20 to 65 °C',
    'Above the expected',
    'corrected by reviewer of report: point forgotten',
    'Signed by T. Technician',
    'Signed on site',
    'Ansa Fell, warden',
    'Re-line the brake',
    `page 1 of ${pages.length}`,
  ])
    expect(all).toContain(words);
  // What was found stands on the first page, and a short sheet with a signature needs no third one.
  expect(pages[0]).toContain('1 finding');
  expect(pages[0]).toContain('Above the');
  expect(pages.length).toBeLessThanOrEqual(2);
  // What was never asked does not clutter the report.
  expect(all).not.toContain('Never asked');
  const raw = Buffer.from(bytes).toString('latin1');
  expect(raw).toContain('/MarkInfo');
  expect(raw).toContain('/StructTreeRoot');
});

test('approving sends the report to the job’s recipients', async () => {
  let messages: { to: string[]; subject: string; attachments: { index: number }[]; id: string }[] =
    [];
  for (let tries = 0; tries < 100 && messages.length === 0; tries++) {
    await new Promise((resolve) => setTimeout(resolve, 200));
    ({ rows: messages } = (await reviewer.call('GET', '/api/mail')).body as {
      rows: typeof messages;
    });
  }
  expect(messages).toMatchObject([
    { to: ['client@report.example'], subject: 'Site of report: Round' },
  ]);
  const response = await fetch(`${office.url}/api/mail/${messages[0]?.id}/attachments/0`, {
    headers: { cookie: reviewer.cookie },
  });
  expect((await textOf(await response.arrayBuffer())).join(' ')).toContain('Site of report');
});

describe('what was drawn', () => {
  const drawn = { kind: 'text', at: [0.2, 0.3], words: 'Here <b>' } as const;
  let sheet: string;

  beforeAll(async () => {
    const bytes = await sharp({
      create: { width: 40, height: 30, channels: 3, background: '#886644' },
    })
      .jpeg()
      .toBuffer();
    const sha256 = sha256Hex(bytes);
    const place = path.join(office.filesDir, 'media', org.id, sha256.slice(0, 2));
    await mkdir(place, { recursive: true });
    await writeFile(path.join(place, sha256), bytes);
    const photo: PhotoValue = {
      sha256,
      type: 'image/jpeg',
      bytes: bytes.length,
      width: 40,
      height: 30,
      takenAt: '2031-04-05T08:00:00Z',
      comment: '',
    };
    const manager = await office.signIn(org.emails.manager);
    const { body: version } = await manager.call('POST', '/api/templates', {
      after: 0,
      body: {
        title: 'Drawn',
        sections: [
          {
            id: 's',
            title: 'S',
            questions: [
              { kind: 'photo', key: 'view', label: 'View', required: true },
              { kind: 'sketch', key: 'plan', label: 'Plan', required: true },
            ],
          },
        ],
      },
    });
    const { body: card } = await manager.call('POST', '/api/jobs', {
      ...{ site: org.site, title: 'Drawn', instructions: '', day: '2031-04-05' },
      ...{ windowFrom: null, windowTo: null, start: 480, minutes: 30, recipients: [] },
      template: (version as { template: string }).template,
      person: org.people.technician,
    });
    sheet = (card as JobCard).job.sheet.id;
    const arrow = { kind: 'arrow', from: [0.1, 0.1], to: [0.6, 0.4] } as const;
    const receipts = await technician.push(
      asEntry(
        entryOf(org, {
          sheet,
          path: 'view~photo~p1',
          value: { ...photo, marks: [arrow, { ...drawn, words: 'Crack' }] },
        }),
      ),
      asEntry(
        entryOf(org, {
          sheet,
          path: 'plan',
          value: { height: 0.75, under: photo, shapes: [arrow, drawn] },
        }),
      ),
    );
    expect(receipts.map(({ outcome }) => outcome)).toEqual(['received', 'received']);
  });

  const ask = (at: string) =>
    fetch(`${office.url}/api/sheets/${sheet}/${at}`, { headers: { cookie: reviewer.cookie } });

  test('over a photo and in a sketch is in the report, with the photo under both', async () => {
    const bytes = await (await ask('report.pdf')).arrayBuffer();
    const all = (await textOf(bytes)).join(' ');
    expect(all).toContain('Crack');
    expect(all).toContain('Here <b>');
    const images = Buffer.from(bytes)
      .toString('latin1')
      .match(/\/Subtype \/Image/g);
    expect(images?.length).toBeGreaterThanOrEqual(1);
    expect(all).not.toContain('has not arrived');
  });

  test('goes out as SVG with its picture in it, and words stay words', async () => {
    const response = await ask('sketch.svg?path=plan');
    expect(response.headers.get('content-type')).toMatch(/^image\/svg\+xml/);
    const svg = await response.text();
    expect(svg).toContain('<image href="data:image/jpeg;base64,/9j/');
    expect(svg).toContain('Here &#60;b&#62;');
    expect((await ask('sketch.svg?path=view')).status).toBe(404);
    expect((await ask('sketch.svg')).status).toBe(400);
  });

  test('a picture that is not here is left out, and nothing else', async () => {
    const far = entryOf(org, {
      sheet,
      path: 'plan',
      value: {
        height: 0.75,
        shapes: [drawn],
        under: {
          sha256: 'c'.repeat(64),
          type: 'image/jpeg',
          bytes: 9,
          width: 40,
          height: 30,
          takenAt: '2031-04-05T08:00:00Z',
          comment: '',
        },
      },
    });
    await technician.push(asEntry(far));
    expect(await (await ask('sketch.svg?path=plan')).text()).not.toContain('<image');
    expect((await ask('report.pdf')).status).toBe(200);
  });
});

test('a report that is corrected after it went out says that it takes the place of the first, and what is otherwise', async () => {
  const { entries } = (await reviewer.call('GET', `/api/sheets/${org.sheet}`)).body as {
    entries: Entry[];
  };
  const heads = entries.filter(({ path: at, kind }) => at === 'temp' && kind === 'correct');
  const moves = entries.filter(({ kind }) => kind === 'approve');
  const again = entryOf(org, {
    ...{ kind: 'correct', value: 71, reason: 'read off the wrong gauge' },
    ...{ seen: heads.map(({ id }) => id), by: org.people.reviewer },
  });
  await inOrganisation(office.data, org.id, (db) =>
    db.query(`UPDATE job SET recipients = $2, letter_words = $3 WHERE id = $1`, [
      org.job,
      JSON.stringify(['client@report.example', 'agent@report.example']),
      JSON.stringify({ 'agent@report.example': 'As we spoke on the telephone.' }),
    ]),
  );
  await reviewer.push(asEntry(again));
  await reviewer.push(
    asEntry(
      entryOf(org, {
        ...{ path: '~stage', kind: 'approve', value: null, by: org.people.reviewer },
        seen: moves.map(({ id }) => id),
      }),
    ),
  );
  let letters: { to: string[]; subject: string; text: string; attachments: { name: string }[] }[] =
    [];
  for (let tries = 0; tries < 100 && letters.length < 3; tries++) {
    await new Promise((resolve) => setTimeout(resolve, 200));
    ({ rows: letters } = (await reviewer.call('GET', '/api/mail')).body as {
      rows: typeof letters;
    });
  }
  const second = letters.find(({ text }) => text.includes('takes the place of the one you have'));
  expect(second?.attachments[0]?.name).toContain(', version 2.pdf');
  const later = letters.filter(({ text }) => text.includes('takes the place'));
  expect(later.map(({ to }) => to)).toEqual(
    expect.arrayContaining([['client@report.example'], ['agent@report.example']]),
  );
  expect(later.find(({ to }) => to.includes('agent@report.example'))?.text).toMatch(
    /^As we spoke on the telephone\.\n\nThe report of/,
  );
  expect(later.find(({ to }) => to.includes('client@report.example'))?.text).toMatch(
    /^The report of/,
  );
  const report = await fetch(`${office.url}/api/sheets/${org.sheet}/report.pdf`, {
    headers: { cookie: reviewer.cookie },
  });
  const [first] = await textOf(await report.arrayBuffer());
  expect(first).toContain('2, in place of the one of');
  expect(first).toMatch(/Changed since: [A-Z]/);
});

describe('a consent', () => {
  let sheet: string;
  const words = 'We run a fan in a doorway.\nSmoke may come into the room <b>.';
  const strokes = [
    [
      [0.1, 0.1],
      [0.6, 0.2],
    ],
  ] as const;
  const ask = (at: string) =>
    fetch(`${office.url}/api/sheets/${sheet}/${at}`, { headers: { cookie: reviewer.cookie } });

  beforeAll(async () => {
    const manager = await office.signIn(org.emails.manager);
    const signature = { kind: 'signature', required: true } as const;
    const { body: version } = await manager.call('POST', '/api/templates', {
      after: 0,
      body: {
        title: 'Fan test',
        sections: [
          {
            ...{ id: 's', title: 'S' },
            questions: [
              { ...signature, key: 'consent', label: 'Consent of the household', consent: words },
              {
                ...signature,
                key: 'typed',
                label: 'Consent of the owner',
                consent: 'Once a year.',
              },
              { ...signature, key: 'fitter', label: 'Fitter' },
            ],
          },
        ],
      },
    });
    const { body: card } = await manager.call('POST', '/api/jobs', {
      ...{ site: org.site, title: 'Fan test', instructions: '', day: '2031-04-05' },
      ...{ windowFrom: null, windowTo: null, start: 480, minutes: 30 },
      recipients: ['household@report.example'],
      template: (version as { template: string }).template,
      person: org.people.technician,
    });
    sheet = (card as JobCard).job.sheet.id;
  });

  const sign = (path: string, value: Entry['value'], seen: readonly string[] = []): Entry =>
    entryOf(org, { sheet, path, value, seen });

  test('is a paper of its own: what was read, and who signed it when', async () => {
    expect((await ask('consent.pdf?at=consent')).status).toBe(404);
    await technician.push(
      asEntry(sign('consent', { name: 'Ansa Fell', strokes })),
      asEntry(sign('typed', { name: 'Orrin Tully', strokes: [], typed: true })),
      asEntry(sign('fitter', { name: 'T. Technician', strokes })),
    );
    const response = await ask('consent.pdf?at=consent');
    expect(response.headers.get('content-disposition')).toContain('Consent');
    const pages = await textOf(await response.arrayBuffer());
    expect(pages).toHaveLength(1);
    for (const said of [
      ...['Consent of the household', 'Site of report', 'We run a fan in a doorway.', '<b>'],
      ...['Ansa Fell', 'before technician of report', 'Signed, '],
    ])
      expect(pages[0]).toContain(said);
    const typed = (await textOf(await (await ask('consent.pdf?at=typed')).arrayBuffer())).join(' ');
    expect(typed).toContain('Signed by typing the name');
    // What is only signed is no consent, and other nonsense is none either.
    for (const at of ['fitter', 'nothing', '__proto__', '~stage'])
      expect((await ask(`consent.pdf?at=${at}`)).status).toBe(404);
    expect((await ask('consent.pdf')).status).toBe(400);
  });

  test('goes out with the report, and stays as it was approved', async () => {
    const finish = entryOf(org, { sheet, path: '~stage', kind: 'finish', value: null });
    await technician.push(asEntry(finish));
    await reviewer.push(
      asEntry(
        entryOf(org, {
          ...{ sheet, path: '~stage', kind: 'approve', value: null, by: org.people.reviewer },
          seen: [finish.id],
        }),
      ),
    );
    type Message = { to: string[]; attachments: { name: string }[] };
    let letter: Message | undefined;
    for (let tries = 0; tries < 100 && !letter; tries++) {
      await new Promise((resolve) => setTimeout(resolve, 200));
      const { rows } = (await reviewer.call('GET', '/api/mail')).body as { rows: Message[] };
      letter = rows.find(({ to }) => to.includes('household@report.example'));
    }
    expect(letter?.attachments.map(({ name }) => name)).toEqual([
      'Site of report, Fan test.pdf',
      'Site of report, Consent of the household.pdf',
      'Site of report, Consent of the owner.pdf',
    ]);
    const kept = await (await ask('consent.pdf?at=consent')).arrayBuffer();
    const again = await (await ask('consent.pdf?at=consent')).arrayBuffer();
    expect(Buffer.from(again).equals(Buffer.from(kept))).toBe(true);
    const [row] = await inOrganisation(office.data, org.id, (db) =>
      db.query<{ consents: { path: string; sha256: string }[] }[]>(
        'SELECT consents FROM approval WHERE sheet_id = $1',
        [sheet],
      ),
    );
    const own = row?.consents.find(({ path: at }) => at === 'consent');
    expect(own?.sha256).toBe(sha256Hex(new Uint8Array(kept)));
  });
});

test('each has one letter, whatever went before; words of their own go to nobody else', () => {
  const to = ['a@x.example', 'b@x.example', 'c@x.example', 'a@x.example'];
  const words = { 'b@x.example': 'For you.', 'gone@x.example': 'Not for anybody.' };
  const job = { recipients: to, letterWords: words };
  expect(lettersOf(job, [])).toEqual([
    { to: ['a@x.example', 'c@x.example'], words: '' },
    { to: ['b@x.example'], words: 'For you.' },
  ]);
  expect(lettersOf(job, ['a@x.example', 'c@x.example'])).toEqual([
    { to: ['b@x.example'], words: 'For you.' },
  ]);
  expect(lettersOf(job, to)).toEqual([]);
  expect(lettersOf({ recipients: [], letterWords: words }, [])).toEqual([]);
  // A name every object has is no address.
  expect(lettersOf({ recipients: ['constructor'], letterWords: {} }, [])).toEqual([
    { to: ['constructor'], words: '' },
  ]);
});
