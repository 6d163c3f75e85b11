import { setTimeout as sleep } from 'node:timers/promises';
import type { JobCard } from '@ant-trail/contract/planning';
import type { JobDetails } from '@ant-trail/contract/planning/desk';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { addDays } from '@ant-trail/core/calendar';
import type { Entry } from '@ant-trail/core/log';
import type { FollowUp, TemplateBody, Told } from '@ant-trail/core/sheet';
import { inOrganisation } from '../src/database/tenancy.ts';
import { makeFollowUp } from '../src/modules/planning/follow-up.ts';
import {
  asEntry,
  entryOf,
  openOffice,
  type Caller,
  type Office,
  type Organisation,
} from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;
let reviewer: Caller;
const TODAY = new Date().toISOString().slice(0, 10);

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician, reviewer } = await office.newTeam('follow-ups'));
});
afterAll(() => office.close());

const NOTHING_TOLD: Told = { said: {}, carried: [], facts: [], rows: [] };
const RULE: FollowUp = {
  ...{ days: 7, title: 'Look again', template: null, when: 'always', person: 'the same' },
};
const bodyWith = (followUp: FollowUp): TemplateBody => ({
  ...{ title: 'Check', followUp },
  sections: [
    {
      ...{ id: 's', title: 'S' },
      questions: [
        {
          ...{ kind: 'number', key: 'temp', label: 'Temperature', unit: 'Cel', required: false },
          ...{ expected: { high: 65 }, whenAmiss: { severity: 3 } },
        },
      ],
    },
  ],
});

async function publish(rule: Partial<FollowUp>): Promise<string> {
  const { status, body } = await manager.call('POST', '/api/templates', {
    ...{ after: 0, body: bodyWith({ ...RULE, ...rule }) },
  });
  expect(status).toBe(200);
  return (body as PublishedTemplate).template;
}

async function jobOf(template: string): Promise<JobCard> {
  const { body } = await manager.call('POST', '/api/jobs', {
    ...{ site: org.site, template, title: 'First check', instructions: '', day: TODAY },
    ...{ windowFrom: null, windowTo: null, start: 500, minutes: 25, recipients: ['a@b.example'] },
    ...{ person: org.people.technician, reader: org.people.reviewer },
  });
  return body as JobCard;
}

/** Somebody fills it in and finishes it, on a day; the reviewer approves. */
async function walk(sheet: string, temp: number, on = TODAY): Promise<void> {
  const said = entryOf(org, { sheet, path: 'temp', value: temp });
  await technician.push(asEntry(said));
  await finishAndApprove(sheet, on);
}

async function finishAndApprove(sheet: string, on: string): Promise<void> {
  const finish = entryOf(org, {
    ...{ sheet, path: '~stage', kind: 'finish', value: null, at: `${on}T10:00:00.000Z` },
  } as never);
  await technician.push(asEntry(finish));
  const approve = { path: '~stage', kind: 'approve', value: null, seen: [finish.id] } as const;
  await reviewer.push(asEntry(entryOf(org, { sheet, ...approve, by: org.people.reviewer })));
}

const details = async (job: string): Promise<JobDetails> =>
  (await manager.call('GET', `/api/jobs/${job}`)).body as JobDetails;
async function followed(job: string): Promise<NonNullable<JobDetails['sheets'][number]['next']>> {
  for (let tries = 0; tries < 200; tries++) {
    const next = (await details(job)).sheets[0]?.next;
    if (next?.job || next?.trouble) return next;
    await sleep(50);
  }
  throw new Error('nothing followed');
}
const followers = async (): Promise<JobCard[]> => {
  const { body } = await manager.call('GET', '/api/jobs?text=look%20again&most=200');
  return (body as { rows: JobCard[] }).rows;
};

test('what follows is shown before, planned from the real completion once approved, and linked', async () => {
  const { job } = await jobOf(await publish({}));
  expect((await details(job.id)).sheets[0]?.next).toEqual({
    ...{
      title: 'Look again',
      days: 7,
      onlyAmiss: false,
      onlyWhere: null,
      day: null,
      job: null,
      trouble: null,
    },
  });
  const yesterday = addDays(TODAY, -1);
  await walk(job.sheet.id, 40, yesterday);
  const next = await followed(job.id);
  expect(next.day).toBe(addDays(yesterday, 7));
  const { card } = await details(next.job ?? '');
  expect(card.job).toMatchObject({
    ...{ title: 'Look again', day: next.day, template: job.template },
    ...{ recipients: ['a@b.example'], reader: org.people.reviewer },
    follows: { job: job.id, title: 'First check', day: TODAY },
  });
  expect(card.visits[0]).toMatchObject({
    ...{ person: org.people.technician, start: 500, minutes: 25 },
  });
  expect((await pull(technician)).of('job').find(({ id }) => id === next.job)?.follows).toEqual(
    card.job.follows,
  );
});

test('what was found is offered to the work that follows, though its sheet is another', async () => {
  const work = (title: string, followUp?: FollowUp): TemplateBody => ({
    ...{ title, ...(followUp ? { followUp } : {}) },
    sections: [
      {
        ...{ id: 's', title: 'S' },
        questions: [
          { ...{ kind: 'text', key: 'found', label: 'Found', required: true, carries: true } },
          { ...{ kind: 'text', key: 'of_one', label: 'Seen', required: false, carries: false } },
        ],
      },
    ],
  });
  const publishes = async (body: TemplateBody): Promise<string> =>
    ((await manager.call('POST', '/api/templates', { after: 0, body })).body as PublishedTemplate)
      .template;
  const after = await publishes(work('Mend'));
  const { job } = await jobOf(
    await publishes(work('Look', { ...RULE, days: 0, title: 'Mend it', template: after })),
  );
  await technician.push(
    ...(
      [
        ['found', 'A split seam'],
        ['of_one', 'Rain'],
      ] as const
    ).map(([path, value]) => asEntry(entryOf(org, { sheet: job.sheet.id, path, value }))),
  );
  await walk(job.sheet.id, 40);
  const next = await followed(job.id);
  expect(next.job).not.toBeNull();
  const earlier = (await pull(technician)).of('earlier').find((each) => each.template === after);
  expect(earlier).toMatchObject({
    answers: [{ path: 'found', value: 'A split seam' }],
    ...{ site: org.site, day: TODAY },
  });
});

test('what is known is filled in for whoever comes next, once, and only where the answer is the one the rule names', async () => {
  const known = (key: string, more: object = {}) => ({
    ...{ kind: 'text', key, label: key, required: false, carries: true, ...more },
  });
  const body = (title: string, questions: readonly object[], followUp?: FollowUp): TemplateBody =>
    ({
      ...{ title, ...(followUp ? { followUp } : {}) },
      sections: [{ id: 's', title: 'S', questions }],
    }) as unknown as TemplateBody;
  const publishes = async (made: TemplateBody): Promise<string> => {
    const answer = await manager.call('POST', '/api/templates', { after: 0, body: made });
    expect([answer.status, answer.body]).toEqual([200, expect.anything()]);
    return (answer.body as PublishedTemplate).template;
  };
  const boards = (more: object) => ({
    ...{ kind: 'rows', key: 'boards', label: 'Boards', each: 'board', required: false },
    ...{ carries: true, questions: [known('make'), more] },
  });
  const fine = { kind: 'yesNo', key: 'fine', label: 'Fine', required: false };
  // Halls stay as they are there: a hall of before has no place, and neither has what is known of it.
  const halls = { ...boards(fine), key: 'halls', questions: [known('hall_make')] };
  const after = await publishes(
    body('Do it', [
      known('owner'),
      boards({ ...fine, key: 'done' }),
      { ...halls, starts: ['Hall'], fixed: true },
      { ...fine, key: 'word' },
    ]),
  );
  const before = await publishes(
    body('Ask', [known('owner'), boards(fine), halls, { ...fine, key: 'word', label: 'Agreed?' }], {
      ...{ ...RULE, title: '', template: after },
      only: { question: 'word', answer: 'yes' },
    }),
  );
  const asked = async (word: string): Promise<JobCard> => {
    const card = await jobOf(before);
    const said: [string, Entry['value']][] = [
      ['owner', 'Ansa Fell'],
      ['boards/b1', { order: 1, name: 'Main board' }],
      ['boards/b1/make', 'Krag'],
      ['boards/b1/fine', 'no'],
      ['halls/h1', { order: 1, name: 'Great hall' }],
      ['halls/h1/hall_make', 'Krag'],
      ['word', word],
    ];
    const answers = said.map(([path, value]) =>
      entryOf(org, { sheet: card.job.sheet.id, path, value }),
    );
    await technician.push(...answers.map(asEntry));
    await finishAndApprove(card.job.sheet.id, TODAY);
    return card;
  };
  const no = await asked('no');
  expect((await details(no.job.id)).sheets[0]?.next).toMatchObject({
    ...{ title: 'Do it', onlyWhere: '“Agreed?” is “Yes”' },
  });
  const next = await followed((await asked('yes')).job.id);
  const { card } = await details(next.job ?? '');
  const entries = (await pull(technician))
    .of('entry')
    .map((record) => record.body)
    .filter(({ sheet }) => sheet === card.job.sheet.id)
    .sort((a, b) => a.path.localeCompare(b.path, 'en'));
  expect(entries.map(({ path, kind, value, by }) => ({ path, kind, value, by }))).toEqual(
    [
      { path: 'boards/b1', value: { order: 1, name: 'Main board' } },
      { path: 'boards/b1/make', value: 'Krag' },
      { path: 'owner', value: 'Ansa Fell' },
    ].map((each) => ({ ...each, kind: 'prepare', by: org.people.reviewer })),
  );
  expect((await details(no.job.id)).sheets[0]?.next?.job).toBeNull();
});

test('asked for twice, or by two at once, one follows', async () => {
  const { job } = await jobOf(await publish({ title: 'Look again twice' }));
  await walk(job.sheet.id, 40);
  const next = await followed(job.id);
  const again = () =>
    inOrganisation(office.data, org.id, (db) =>
      makeFollowUp(
        db,
        org.id,
        { sheet: job.sheet.id, by: org.people.reviewer, told: NOTHING_TOLD },
        new Date(),
      ),
    );
  await Promise.all([again(), again()]);
  const all = (await followers()).filter((card) => card.job.follows?.job === job.id);
  expect(all.map((card) => card.job.id)).toEqual([next.job]);
});

test('only where a fault was found, where that is the rule; to nobody, where that is', async () => {
  const template = await publish({ when: 'amiss', person: 'nobody yet', days: 0, title: '' });
  const fine = await jobOf(template);
  const faulty = await jobOf(template);
  await walk(fine.job.sheet.id, 40);
  await walk(faulty.job.sheet.id, 90);
  const next = await followed(faulty.job.id);
  const { card } = await details(next.job ?? '');
  expect(card.job).toMatchObject({ title: 'Check', state: 'draft', day: TODAY });
  expect(card.visits[0]?.person).toBeNull();
  await sleep(1_500);
  expect((await details(fine.job.id)).sheets[0]?.next?.job).toBeNull();
});

test('a completion long ago is followed today, not in the past', async () => {
  const { job } = await jobOf(await publish({ days: 2 }));
  await walk(job.sheet.id, 40, addDays(TODAY, -30));
  expect((await followed(job.id)).day).toBe(TODAY);
});

test('a client’s rule stands above the template’s, also where it says that nothing follows', async () => {
  const [replaced, silenced, plain] = [await publish({}), await publish({}), await publish({})];
  const { body } = await manager.call('POST', '/api/clients', {
    ...{ name: 'Skerry Works', number: '', address: '', contacts: [], note: '' },
  });
  await inOrganisation(office.data, org.id, (db) =>
    db.query(`UPDATE site SET client = ' skerry works' WHERE id = $1`, [org.site]),
  );
  const rules = `/api/clients/${(body as { id: string }).id}/rules`;
  const own = { ...RULE, days: 30, title: 'Look again by contract', template: plain };
  const wrong = { rules: [{ template: replaced, followUp: { ...own, template: org.site } }] };
  expect((await manager.call('PUT', rules, wrong)).status).toBe(422);
  const twice = { rules: [silenced, silenced].map((template) => ({ template, followUp: null })) };
  expect((await manager.call('PUT', rules, twice)).status).toBe(400);
  const kept = {
    rules: [
      { template: replaced, followUp: own },
      { template: silenced, followUp: null },
    ].sort((a, b) => (a.template < b.template ? -1 : 1)),
  };
  expect((await manager.call('PUT', rules, kept)).body).toEqual(kept);
  const [long, never, usual] = [
    (await jobOf(replaced)).job,
    (await jobOf(silenced)).job,
    (await jobOf(plain)).job,
  ];
  expect((await details(long.id)).sheets[0]?.next).toMatchObject({ days: 30 });
  expect((await details(never.id)).sheets[0]?.next).toBeNull();
  await walk(never.sheet.id, 90);
  await walk(long.sheet.id, 40);
  await walk(usual.sheet.id, 40);
  const next = await followed(long.id);
  expect(next.day).toBe(addDays(TODAY, 30));
  const { card } = await details(next.job ?? '');
  expect(card.job).toMatchObject({ title: 'Look again by contract', template: plain });
  // The queue works them off in their turn: what came later is there, so nothing is to come.
  expect((await followed(usual.id)).day).toBe(addDays(TODAY, 7));
  expect((await followers()).some(({ job }) => job.follows?.job === never.id)).toBe(false);
});

test('what can’t be planned says why, and the approval stands', async () => {
  const { job } = await jobOf(await publish({}));
  await inOrganisation(office.data, org.id, (db) =>
    db.query(`UPDATE site SET retired = true WHERE id = $1`, [org.site]),
  );
  await walk(job.sheet.id, 40);
  const next = await followed(job.id);
  expect(next.trouble).toContain('is retired');
  expect((await details(job.id)).card.job.state).toBe('approved');
});

test('a rule that makes no sense is refused', async () => {
  for (const wrong of [{ days: -1 }, { days: 9_999 }, { when: 'never' }, { person: 'x' }]) {
    const body = { ...bodyWith(RULE), followUp: { ...RULE, ...wrong } };
    expect((await manager.call('POST', '/api/templates', { after: 0, body })).status).toBe(400);
  }
});
