import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
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

async function textOf(bytes: ArrayBuffer): Promise<string[]> {
  const document = await getDocument({
    data: new Uint8Array(bytes.slice(0)),
    useSystemFonts: false,
  }).promise;
  const pages: string[] = [];
  for (let n = 1; n <= document.numPages; n++) {
    const { items } = await (await document.getPage(n)).getTextContent();
    pages.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replaceAll(/\s+/g, ' '),
    );
  }
  return pages;
}

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
    'Re-line the brake',
    `page 1 of ${pages.length}`,
  ])
    expect(all).toContain(words);
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
    ({ messages } = (await reviewer.call('GET', '/api/mail')).body as {
      messages: typeof messages;
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
