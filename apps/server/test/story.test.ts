import { randomBytes } from 'node:crypto';
import type { JobCard } from '@ant-trail/contract/planning';
import type { Asset } from '@ant-trail/contract/register';
import type { Story } from '@ant-trail/contract/story';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { rowPath, timeOrderedId } from '@ant-trail/core/log';
import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';

const flow: Question = {
  ...{ kind: 'number', key: 'flow', label: 'Flow', unit: 'L/s', required: true },
  ...{ expected: { low: 10 }, whenAmiss: { severity: 3, action: 'Change the seal' } },
};
/** A round of a place, with a row for each pump. */
const ROUND: TemplateBody = {
  title: 'Pump round',
  sections: [
    {
      id: 's',
      title: 'S',
      questions: [
        {
          ...{ kind: 'rows', key: 'pumps', label: 'Pumps', each: 'pump', of: 'pump' },
          ...{ required: false, questions: [flow] },
        },
      ],
    },
  ],
};
/** A sheet about one pump as a whole. */
const OVERHAUL: TemplateBody = {
  title: 'Overhaul',
  sections: [
    {
      id: 's',
      title: 'S',
      questions: [{ kind: 'text', key: 'seal', label: 'Seal', required: true }],
    },
  ],
};

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('story'));
});
afterAll(() => office.close());

const dayAgo = (days: number): Date => new Date(Date.now() - days * 86_400_000);

async function jobUnder(
  template: string,
  day: Date,
  asset: string | null,
): Promise<JobCard['job']> {
  const { body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template, title: 'Pumps', instructions: '', recipients: [] },
    ...{ day: day.toISOString().slice(0, 10), windowFrom: null, windowTo: null },
    ...{ start: 480, minutes: 30, person: org.people.technician },
    ...(asset ? { moreSheets: [{ template, asset, person: null }] } : {}),
  });
  return (body as JobCard).job;
}

const publish = async (body: TemplateBody): Promise<string> =>
  ((await manager.call('POST', '/api/templates', { after: 0, body })).body as PublishedTemplate)
    .template;

/** Says things in a sheet as of a day. */
const say = (sheet: string, day: Date, ...said: readonly [string, unknown, string?][]) =>
  technician.push(
    ...said.map(([path, value, unit]) =>
      asEntry({
        ...entryOf(org, { sheet, path, value } as never),
        at: day.toISOString(),
        ...(unit ? { unit } : {}),
      }),
    ),
  );

test('three sheets of two templates, a move, a finding and an action are one story, in order', async () => {
  const [round, overhaul] = [await publish(ROUND), await publish(OVERHAUL)];
  const made = await manager.call('POST', `/api/sites/${org.site}/assets`, {
    ...{ kind: 'pump', name: 'Pump 2' },
  });
  const { id: pump } = made.body as Asset;
  const row = rowPath('pumps', pump);

  const first = await jobUnder(round, dayAgo(9), null);
  await say(
    first.sheet.id,
    dayAgo(9),
    [row, { order: 1, name: 'Pump 2' }],
    [`${row}/flow`, 12, 'L/s'],
  );
  const second = await jobUnder(overhaul, dayAgo(5), pump);
  const about = second.sheets.find(({ asset }) => asset === pump)?.id ?? '';
  await say(about, dayAgo(5), ['seal', '20 mm, carbon']);
  const third = await jobUnder(round, dayAgo(2), null);
  await say(
    third.sheet.id,
    dayAgo(2),
    [row, { order: 1, name: 'Pump 2' }],
    [`${row}/flow`, 8, 'L/s'],
  );

  const area = await manager.call('POST', `/api/sites/${org.site}/assets`, {
    ...{ kind: 'room', name: 'Valve room', area: true },
  });
  const room = (area.body as Asset).id;
  await manager.call('POST', `/api/assets/${pump}/move`, { site: org.site, within: room });
  await manager.call('POST', '/api/actions', {
    ...{ id: timeOrderedId(Date.now(), randomBytes(16)), site: org.site, sheet: third.sheet.id },
    ...{ key: `${row}/flow`, title: 'Change the seal', details: '', severity: 3 },
    ...{ owner: org.people.technician, dueOn: dayAgo(-3).toISOString().slice(0, 10) },
  });

  const { body } = await manager.call('GET', `/api/assets/${pump}/story`);
  const story = body as Story;
  expect(story.sheets.map(({ title, worst }) => [title, worst])).toEqual([
    ['Pump round', 3],
    ['Overhaul', 0],
    ['Pump round', 0],
  ]);
  expect(story.sheets[0]?.findings[0]?.words).toContain('8 l/s');
  expect(story.sheets[1]?.facts).toEqual([
    { key: 'seal', label: 'Seal', said: '20 mm, carbon', day: false },
  ]);
  const series = story.sheets.flatMap(({ readings }) => readings).reverse();
  expect(series.map(({ value, expected }) => [value, expected])).toEqual([
    [12, { low: 10 }],
    [8, { low: 10 }],
  ]);
  expect(story.events.map(({ kind }) => kind)).toEqual(['moved', 'entered']);
  expect(story.actions.map(({ title }) => title)).toEqual(['Change the seal']);
  // Another thing's sheets and actions are none of its own.
  const { body: rooms } = await manager.call('GET', `/api/assets/${room}/story`);
  expect(rooms).toMatchObject({ sheets: [], actions: [], events: [{ kind: 'entered' }] });
});
