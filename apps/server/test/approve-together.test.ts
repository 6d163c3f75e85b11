import type { JobCard } from '@ant-trail/contract/planning';
import type { ApprovedTogether } from '@ant-trail/contract/review';
import { asEntry, entryOf } from './support/office.ts';
import { eachTeam } from './support/each-team.ts';
import { planJob } from './support/plan-job.ts';

const here = eachTeam('together');

const jobOf = async (sheets: number, more: object = {}): Promise<JobCard['job']> => {
  const { template } = here.team.org;
  const moreSheets = Array.from({ length: sheets - 1 }, () => ({
    ...{ template, asset: null, person: null },
  }));
  return (await planJob(here.team, { moreSheets, ...more })).job;
};

/** Somebody answers a sheet and finishes it. */
async function finish(sheet: string, temp: number): Promise<void> {
  const { org, technician } = here.team;
  const said = entryOf(org, { sheet, path: 'temp', value: temp });
  const signed = entryOf(org, {
    ...{ sheet, path: 'signed', value: { name: 'Ansa', strokes: [[[0.1, 0.1]]] } },
  });
  const done = entryOf(org, { sheet, path: '~stage', kind: 'finish', value: null });
  await technician.push(asEntry(said), asEntry(signed), asEntry(done));
}
const approve = async (...jobs: string[]): Promise<ApprovedTogether> => {
  const { status, body } = await here.team.reviewer.call('POST', '/api/approvals', { jobs });
  expect(status).toBe(200);
  return body as ApprovedTogether;
};
const stagesOf = async (job: string): Promise<string[]> => {
  const { body } = await here.team.manager.call('GET', `/api/jobs/${job}`);
  return (body as { sheets: { stage: string }[] }).sheets.map(({ stage }) => stage);
};

test('all that is as usual is passed in one step; what needs eyes stays and is named', async () => {
  const walk = [await jobOf(2), await jobOf(1)];
  const [fine, amiss, other] = walk.flatMap(({ sheets }) => sheets.map(({ id }) => id));
  await finish(fine ?? '', 40);
  await finish(amiss ?? '', 95);
  await finish(other ?? '', 41);
  await here.office.settled();
  const answer = await approve(...walk.map(({ id }) => id));
  expect(answer).toMatchObject({
    approved: 2,
    left: [{ sheet: amiss, why: expect.stringContaining('a look of its own') as unknown }],
  });
  await here.office.settled();
  expect(await stagesOf(walk[0]?.id ?? '')).toEqual(['approved', 'finished']);
  expect(await stagesOf(walk[1]?.id ?? '')).toEqual(['approved']);
  // Once more, nothing is approved twice.
  expect((await approve(...walk.map(({ id }) => id))).approved).toBe(0);
});

test('what is not finished, for another reader, or just came in is left alone', async () => {
  const untouched = await jobOf(1);
  const others = await jobOf(1, { reader: here.team.org.people.manager });
  await finish(others.sheet.id, 40);
  await here.office.settled();
  expect(await approve(untouched.id, others.id)).toMatchObject({
    approved: 0,
    left: [{ sheet: others.sheet.id, why: 'Somebody else is to read it.' }],
  });
  expect(await stagesOf(untouched.id)).toEqual(['untouched']);
});

test('nobody who may not read sheets approves them together, and nothing makes no sense', async () => {
  const job = await jobOf(1);
  const at = '/api/approvals';
  expect((await here.team.technician.call('POST', at, { jobs: [job.id] })).status).toBe(403);
  expect((await here.team.reviewer.call('POST', at, { jobs: [] })).status).toBe(400);
  expect((await here.team.reviewer.call('POST', at, { jobs: ['x'] })).status).toBe(400);
});
