import { randomBytes } from 'node:crypto';
import type { JobCard } from '@ant-trail/contract/planning';
import type { AssetsAnswer } from '@ant-trail/contract/register';
import type { Dossier } from '@ant-trail/contract/review';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { PROGRAMME_PATH, rowPath, timeOrderedId } from '@ant-trail/core/log';
import type { TemplateBody } from '@ant-trail/core/sheet';
import type { z } from 'zod';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { pull } from './support/pulled.ts';

const BODY: TemplateBody = {
  title: 'Alarms',
  programmes: [{ key: 'grant', name: 'Grant', required: [], leftOut: [] }],
  sections: [
    {
      id: 's',
      title: 'S',
      questions: [
        {
          kind: 'rows',
          key: 'alarms',
          label: 'Alarms',
          each: 'alarm',
          of: 'alarm',
          required: false,
          questions: [
            { kind: 'text', key: 'model', label: 'Model', required: true },
            { kind: 'yesNo', key: 'works', label: 'Works?', required: true },
          ],
        },
      ],
    },
  ],
};

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;
let template: string;

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('register'));
  const { body } = await manager.call('POST', '/api/templates', { after: 0, body: BODY });
  ({ template } = body as PublishedTemplate);
});
afterAll(() => office.close());

const jobOn = async (day: string, more: object = {}): Promise<JobCard> => {
  const { body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template, title: 'Alarms', instructions: '', day },
    ...{ windowFrom: null, windowTo: null, start: 480, minutes: 30, recipients: [] },
    person: org.people.technician,
    ...more,
  });
  return body as JobCard;
};
const dayFromNow = (days: number): string =>
  new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const assets = async (): Promise<z.infer<typeof AssetsAnswer>['assets']> => {
  const { body } = await manager.call('GET', `/api/sites/${org.site}/assets`);
  return (body as z.infer<typeof AssetsAnswer>).assets;
};

test('what was found on site joins the register once, and its facts wait for the next visit', async () => {
  const { job } = await jobOn(dayFromNow(-1));
  const thing = timeOrderedId(Date.now(), randomBytes(16));
  const row = rowPath('alarms', thing);
  const said = (path: string, value: unknown) =>
    asEntry(entryOf(org, { sheet: job.sheet.id, path, value } as never));
  const operations = [
    said(row, { order: 1, name: 'Alarm by the stove' }),
    said(`${row}/model`, 'S4'),
    said(`${row}/works`, 'yes'),
    asEntry(entryOf(org, { sheet: job.sheet.id, path: '~stage', kind: 'finish', value: null })),
  ];
  for (let sent = 0; sent < 2; sent++) await technician.push(...operations);
  expect(await assets()).toEqual([
    { id: thing, site: org.site, kind: 'alarm', name: 'Alarm by the stove', retired: false },
  ]);

  await jobOn(dayFromNow(1));
  const page = await pull(technician);
  expect(page.of('asset').map(({ id }) => id)).toEqual([thing]);
  const earlier = page.of('earlier').find((each) => each.template === template);
  expect(earlier).toMatchObject({ site: org.site, day: dayFromNow(-1) });
  expect(earlier?.answers.map(({ path }) => path)).toEqual([row, `${row}/model`]);
});

test('the office names and retires assets, and phones hear of it', async () => {
  const before = await pull(technician);
  const [known] = await assets();
  const added = await manager.call('POST', `/api/sites/${org.site}/assets`, {
    kind: 'alarm',
    name: 'Alarm upstairs',
  });
  expect(added.status).toBe(200);
  await manager.call('PUT', `/api/assets/${known?.id}`, {
    kind: 'alarm',
    name: 'Alarm by the door',
    retired: true,
  });
  const heard = (await pull(technician, before.cursor)).of('asset');
  expect(new Map(heard.map(({ name, retired }) => [name, retired]))).toEqual(
    new Map([
      ['Alarm by the door', true],
      ['Alarm upstairs', false],
    ]),
  );
});

test('a job made for a programme says so in its sheet, and is still only planned', async () => {
  const { job } = await jobOn(dayFromNow(2), { programme: 'grant' });
  expect(job.state).toBe('planned');
  const { entries } = (await manager.call('GET', `/api/sheets/${job.sheet.id}`)).body as Dossier;
  expect(entries).toMatchObject([{ path: PROGRAMME_PATH, value: 'grant', by: org.people.manager }]);
  const { status } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template, title: 'A', instructions: '', day: dayFromNow(2) },
    ...{ windowFrom: null, windowTo: null, start: 480, minutes: 30, recipients: [] },
    person: null,
    programme: 'unheard',
  });
  expect(status).toBe(422);
});
