import type { Visit } from '@ant-trail/contract/planning';
import { eachTeam } from './support/each-team.ts';
import { planJob, TODAY } from './support/plan-job.ts';
import { freshId } from './support/fresh-id.ts';
import { pull } from './support/pulled.ts';

const here = eachTeam('order');

async function visitAt(start: number, more: object = {}): Promise<Visit> {
  const [visit] = (await planJob(here.team, { start, ...more })).visits;
  if (!visit) throw new Error('no visit');
  return visit;
}
const order = (stops: readonly (readonly [Visit, number])[], over: object = {}) => ({
  kind: 'own order',
  body: {
    ...{ id: freshId(), day: TODAY, by: here.team.org.people.technician },
    stops: stops.map(([visit, start]) => ({ visit: visit.id, was: visit.start, start })),
    ...{ at: new Date().toISOString(), ...over },
  },
});
const words = async (...operations: unknown[]): Promise<string[]> =>
  (await here.team.technician.push(...operations)).map(({ outcome, reason }) => reason ?? outcome);
const startsNow = async (): Promise<Map<string, number>> =>
  new Map((await pull(here.team.technician)).of('visit').map(({ id, start }) => [id, start]));

test('one’s own stops change their hours, once however often it is sent', async () => {
  const [a, b] = [await visitAt(600), await visitAt(660)];
  const taken = order([
    [a, 660],
    [b, 600],
  ]);
  expect(await words(taken)).toEqual(['received']);
  expect(await words(taken)).toEqual(['already had']);
  const starts = await startsNow();
  expect([starts.get(a.id), starts.get(b.id)]).toEqual([660, 600]);
});

test('what the office planned meanwhile, promised, or gave to others is not moved; nothing is by half', async () => {
  const { org, manager } = here.team;
  const [a, b] = [await visitAt(600), await visitAt(660)];
  await manager.call('PUT', `/api/visits/${b.id}/plan`, {
    ...{ person: org.people.technician, day: TODAY, start: 720, minutes: 30 },
  });
  expect(
    await words(
      order([
        [a, 660],
        [b, 600],
      ]),
    ),
  ).toEqual([expect.stringContaining('planned your day otherwise')]);
  expect((await startsNow()).get(a.id)).toBe(600);
  await manager.call('PUT', `/api/visits/${b.id}/plan`, {
    ...{ person: null, day: TODAY, start: 660, minutes: 30 },
  });
  expect(await words(order([[b, 600]]))).toEqual([
    expect.stringContaining('planned your day otherwise'),
  ]);
  const promised = await visitAt(600, { windowFrom: 540, windowTo: 620 });
  expect(await words(order([[promised, 700]]))).toEqual([
    expect.stringContaining('promised for 09:00 to 10:20'),
  ]);
  const pair = await visitAt(600, { helpers: [org.people.reviewer] });
  expect(await words(order([[pair, 700]]))).toEqual([expect.stringContaining('Others come to')]);
});

test('nobody orders another’s day, or makes no sense', async () => {
  const a = await visitAt(600);
  const { org, reviewer } = here.team;
  const [receipt] = await reviewer.push(order([[a, 660]], { by: org.people.reviewer }));
  expect(receipt?.outcome).toBe('refused');
  for (const over of [{ stops: [] }, { by: org.people.reviewer }, { day: 'x' }])
    expect(await words(order([[a, 660]], over))).not.toEqual(['received']);
  expect(
    await words(
      order([
        [a, 660],
        [a, 700],
      ]),
    ),
  ).not.toEqual(['received']);
  expect((await startsNow()).get(a.id)).toBe(600);
});
