import type { PublishedTemplate, TemplatesAnswer } from '@ant-trail/contract/templates';
import type { Dossier } from '@ant-trail/contract/review';
import type { z } from 'zod';
import type { JobCard } from '@ant-trail/contract/planning';
import {
  everyQuestion,
  fold,
  planSheet,
  QUESTION_KINDS,
  sayState,
  type QuestionKind,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { CASES, questionOf } from '../../../packages/core/test/every-kind.ts';
import {
  asEntry,
  entryOf,
  openOffice,
  TEMPLATE,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { pull } from './support/pulled.ts';
import { textOf } from './support/pdf.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('templates'));
  await manager.call('POST', '/api/catalogues', {
    ...{ key: 'products', name: 'Products', after: 0, columns: [] },
    rows: [{ code: '7', label: 'Oats', fields: {} }],
  });
});
afterAll(() => office.close());

/** One question of each kind, called after its kind. */
const EVERY_KIND: TemplateBody = {
  title: 'Every kind',
  sections: [
    {
      id: 's',
      title: 'S',
      questions: QUESTION_KINDS.map((kind) => ({ ...questionOf(kind, `Kind ${kind}`) })),
    },
  ],
};
const keyOf = (kind: QuestionKind): string => `kind_${kind.toLowerCase()}`;

const shorter: TemplateBody = {
  ...TEMPLATE,
  sections: TEMPLATE.sections.map((section) => ({
    ...section,
    questions: section.questions.filter(({ key }) => key !== 'temp' && key !== 'never'),
  })),
};

test('every kind of question passes the wire and can be published', async () => {
  const { status, body } = await manager.call('POST', '/api/templates', {
    after: 0,
    body: EVERY_KIND,
  });
  expect(status).toBe(200);
  expect((body as PublishedTemplate).number).toBe(1);
  expect((body as PublishedTemplate).body).toEqual(EVERY_KIND);
});

test('a template with a problem is refused in words', async () => {
  const wrong = { ...EVERY_KIND, sections: [{ id: 's', title: 'S', questions: [] }] };
  const { status, body } = await manager.call('POST', '/api/templates', { after: 0, body: wrong });
  expect(status).toBe(422);
  expect(body).toMatchObject({ message: 'It asks nothing yet.' });
});

test('a sheet begun under one version is finished under it after the next is published', async () => {
  const draft = { template: org.template, after: 4, body: shorter };
  expect((await manager.call('POST', '/api/templates', draft)).status).toBe(200);

  const again = await manager.call('POST', '/api/templates', draft);
  expect(again.status).toBe(409);
  expect(again.body).toMatchObject({ message: expect.stringMatching(/^Version 5/) as string });

  const { templates } = (await manager.call('GET', '/api/templates')).body as z.infer<
    typeof TemplatesAnswer
  >;
  expect(templates.find(({ template }) => template === org.template)?.number).toBe(5);

  const answer = entryOf(org, { value: 41 });
  const finish = entryOf(org, { path: '~stage', kind: 'finish', value: null });
  expect(await technician.push(asEntry(answer), asEntry(finish))).toMatchObject([
    { outcome: 'received' },
    { outcome: 'received' },
  ]);
  const pulled = await pull(technician);
  const own = pulled.of('template').filter(({ template }) => template === org.template);
  // The one it was begun under, and the newest for what begins now.
  expect(own.map(({ number }) => number).sort()).toEqual([4, 5]);
  const dossier = (await manager.call('GET', `/api/sheets/${org.sheet}`)).body as Dossier;
  expect(dossier.version.number).toBe(4);
});

test('a phone that has all hears of each template that is published since, and nothing of the rest', async () => {
  const { cursor } = await pull(technician);
  const before = await pull(technician, cursor);
  const { body } = await manager.call('POST', '/api/templates', {
    ...{ after: 0, body: { ...shorter, title: 'Only since' } },
  });
  const since = await pull(technician, before.cursor);
  expect(since.of('template').map(({ id }) => id)).toEqual([(body as PublishedTemplate).id]);
});

test('only those who plan may publish', async () => {
  const { status } = await technician.call('POST', '/api/templates', {
    after: 0,
    body: EVERY_KIND,
  });
  expect(status).toBe(403);
});

describe('a sheet with every kind of question', () => {
  let dossier: Dossier;
  let report: string;
  let table: string;

  beforeAll(async () => {
    const version = (await manager.call('POST', '/api/templates', { after: 0, body: EVERY_KIND }))
      .body as PublishedTemplate;
    const today = new Date().toISOString().slice(0, 10);
    const { body } = await manager.call('POST', '/api/jobs', {
      site: org.site,
      template: version.template,
      title: 'Every kind',
      instructions: '',
      day: today,
      windowFrom: null,
      windowTo: null,
      person: org.people.technician,
      start: 480,
      minutes: 30,
      recipients: [],
    });
    const { job } = body as JobCard;
    const receipts = await technician.push(
      ...QUESTION_KINDS.flatMap((kind) => {
        const { good, path, unit } = CASES[kind];
        return good === null
          ? []
          : [
              asEntry(
                entryOf(org, {
                  sheet: job.sheet.id,
                  path: path?.(keyOf(kind)) ?? keyOf(kind),
                  value: good,
                  ...(unit === undefined ? {} : { unit }),
                }),
              ),
            ];
      }),
      asEntry(entryOf(org, { sheet: job.sheet.id, path: '~stage', kind: 'finish', value: null })),
    );
    expect(receipts.filter(({ outcome }) => outcome !== 'received')).toEqual([]);
    dossier = (await manager.call('GET', `/api/sheets/${job.sheet.id}`)).body as Dossier;
    const pdf = await fetch(`${office.url}/api/sheets/${job.sheet.id}/report.pdf`, {
      headers: { cookie: manager.cookie },
    });
    const csv = await manager.call('GET', `/api/sheets/${job.sheet.id}/answers.csv`);
    table = String(csv.body);
    report = (await textOf(await pdf.arrayBuffer())).join(' ');
  });

  test.each(QUESTION_KINDS.filter((kind) => kind !== 'photo'))(
    '%s reads the same in review and in the report',
    (kind) => {
      const state = fold(planSheet(dossier.version.body), dossier.entries);
      const stop = [...everyQuestion(state)].find((each) => each.state.path === keyOf(kind));
      if (!stop) throw new Error('it is not asked');
      expect(sayState(stop.state, (day) => `day ${day}`)).toBe(CASES[kind].reads);
      const printed = CASES[kind].reads.replace('day 2031-04-05', '5 April 2031');
      expect(report).toContain(`Kind ${kind} ${printed}`);
    },
  );

  test.each(QUESTION_KINDS)('%s is exported', (kind) => {
    const line = table.split('\r\n').find((each) => each.includes(`,Kind ${kind},`));
    expect(line).toContain(CASES[kind].reads.replace('day ', ''));
    if (CASES[kind].cell !== '') expect(line).toContain(String(CASES[kind].cell));
  });

  test('a template that looks in a catalogue nobody has is refused', async () => {
    const body = {
      ...EVERY_KIND,
      sections: [
        {
          id: 's',
          title: 'S',
          questions: [{ ...questionOf('lookup'), catalogue: 'nowhere' }],
        },
      ],
    };
    const refused = await manager.call('POST', '/api/templates', { after: 0, body });
    expect(refused.status).toBe(422);
    expect(refused.body).toMatchObject({
      message: expect.stringMatching(/“nowhere”, which is not here/) as string,
    });
  });

  test('what the office knows anyway is looked up with no catalogue, which can’t have its name', async () => {
    const lookup = { ...questionOf('lookup'), catalogue: 'our_contacts' };
    const body = { ...EVERY_KIND, sections: [{ id: 's', title: 'S', questions: [lookup] }] };
    expect((await manager.call('POST', '/api/templates', { after: 0, body })).status).toBe(200);
    const named = await manager.call('POST', '/api/catalogues', {
      ...{ key: 'our_contacts', name: 'Ours', after: 0, columns: [], rows: [] },
    });
    expect(named).toMatchObject({ status: 422, body: { code: 'name-taken' } });
    const here = `/api/sites/${org.site}/lists`;
    expect((await technician.call('GET', `${here}/our_things`)).status).toBe(403);
    const things = await manager.call('GET', `${here}/our_things`);
    expect(things).toMatchObject({ status: 200, body: { key: 'our_things' } });
    const clients = await manager.call('GET', `${here}/our_clients`);
    expect(clients.body).toMatchObject({ columns: [{ key: 'places' }] });
    expect((await manager.call('GET', `${here}/constructor`)).status).toBe(400);
  });

  test('a photo that has not arrived yet is said to be missing', () => {
    expect(report).toContain('This photo has not arrived yet.');
  });
});
