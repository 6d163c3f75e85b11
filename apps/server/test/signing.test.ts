import type { Job, JobCard } from '@ant-trail/contract/planning';
import type { JobDetails } from '@ant-trail/contract/planning/desk';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { asEntry, entryOf } from './support/office.ts';
import { eachTeam } from './support/each-team.ts';
import { planJob, TODAY } from './support/plan-job.ts';
import { freshId } from './support/fresh-id.ts';
import { pull } from './support/pulled.ts';

const here = eachTeam('signing');

const jobOf = (more: object = {}): Promise<JobCard> => planJob(here.team, more);
const DRAWN = {
  strokes: [
    [
      [0.1, 0.1],
      [0.4, 0.2],
    ],
  ],
};
const signed = ({ job, visits }: JobCard, name: string, over: object = {}) => ({
  kind: 'signed on site',
  body: {
    ...{ id: freshId(), job: job.id, visit: visits[0]?.id, role: 'warden' },
    ...{ signature: { name, ...DRAWN }, by: here.team.org.people.technician },
    ...{ at: new Date().toISOString(), ...over },
  },
});
const finish = (sheet: string) =>
  asEntry(entryOf(here.team.org, { sheet, path: '~stage', kind: 'finish', value: null }));
const jobNow = async (id: string): Promise<Job> =>
  ((await here.team.manager.call('GET', `/api/jobs/${id}`)).body as JobDetails).card.job;
const words = async (...operations: unknown[]): Promise<string[]> =>
  (await here.team.technician.push(...operations)).map(({ outcome, reason }) => reason ?? outcome);

test('a job whose person in charge has to sign is not through before they have', async () => {
  const card = await jobOf({ mustSign: true });
  expect(card.job.signing).toEqual({ asked: true, waived: null, signed: null });
  await words(finish(card.job.sheet.id));
  await here.office.settled();
  expect((await jobNow(card.job.id)).state).toBe('under way');
  expect(await words(signed(card, 'Ansa Fell'))).toEqual(['received']);
  const now = await jobNow(card.job.id);
  expect(now).toMatchObject({
    state: 'in review',
    signing: { signed: { role: 'warden', signature: { name: 'Ansa Fell' } } },
  });
  expect(
    (await pull(here.team.technician)).of('job').find(({ id }) => id === now.id)?.signing,
  ).toEqual(now.signing);
});

test('the last signature counts, in whatever order they come; one said twice is had', async () => {
  const card = await jobOf();
  expect(card.job.signing).toBeNull();
  const [first, second] = [signed(card, 'Ansa Fell'), signed(card, 'Orrin Tully')];
  expect(await words(second, first, second)).toEqual(['received', 'received', 'already had']);
  const { signing } = await jobNow(card.job.id);
  expect(signing).toMatchObject({ asked: false, signed: { signature: { name: 'Orrin Tully' } } });
  const other = { ...second, body: { ...second.body, role: 'owner' } };
  expect(await words(other)).not.toEqual(['already had']);
});

test('the office does without, saying why, and may ask again', async () => {
  const card = await jobOf({ mustSign: true });
  await words(finish(card.job.sheet.id));
  await here.office.settled();
  const at = `/api/jobs/${card.job.id}/signing`;
  const say = (draft: object) => here.team.manager.call('POST', at, draft);
  expect((await say({ asked: false, reason: ' ' })).status).toBe(400);
  expect((await say({ asked: false, reason: 'Nobody is there in winter' })).status).toBe(200);
  expect(await jobNow(card.job.id)).toMatchObject({
    state: 'in review',
    signing: { waived: { reason: 'Nobody is there in winter', by: here.team.org.people.manager } },
  });
  await say({ asked: true, reason: '' });
  expect((await jobNow(card.job.id)).state).toBe('under way');
});

test('a template that asks for it asks for every job, also one begun on a phone', async () => {
  const { org, manager } = here.team;
  const { body } = await manager.call('POST', '/api/templates', {
    after: 0,
    body: {
      ...{ title: 'Handed over', signedOnSite: true },
      sections: [
        {
          ...{ id: 's', title: 'S' },
          questions: [{ kind: 'text', key: 'note', label: 'Note', required: false }],
        },
      ],
    },
  });
  const { template, id: version } = body as PublishedTemplate;
  expect((await jobOf({ template })).job.signing?.asked).toBe(true);
  expect((await jobOf({ template, mustSign: false })).job.signing).toBeNull();
  const begun = { id: freshId(), visit: freshId(), sheet: freshId(), site: org.site };
  const operation = {
    kind: 'job begun',
    body: {
      ...{ ...begun, asset: null, version, title: 'Handed over', day: TODAY, start: 600 },
      ...{ by: org.people.technician, at: new Date().toISOString() },
    },
  };
  expect(await words(operation)).toEqual(['received']);
  expect((await jobNow(begun.id)).signing?.asked).toBe(true);
});

test('who is not at the job, or speaks for another, has nobody sign', async () => {
  const card = await jobOf({ mustSign: true });
  const { reviewer, org } = here.team;
  const [receipt] = await reviewer.push(signed(card, 'Ansa Fell', { by: org.people.reviewer }));
  expect(receipt?.reason).toContain('not here, or not yours');
  expect(await words(signed(card, 'Ansa Fell', { by: org.people.reviewer }))).toEqual([
    expect.stringContaining('another person’s name'),
  ]);
  const other = await jobOf();
  expect(await words(signed(card, 'Ansa Fell', { visit: other.visits[0]?.id }))).toEqual([
    expect.stringContaining('not one of the job'),
  ]);
  expect(await words(signed(card, '', {}))).toEqual([expect.any(String)]);
  expect((await jobNow(card.job.id)).signing?.signed).toBeNull();
});
