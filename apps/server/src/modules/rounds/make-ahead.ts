import { randomUUID } from 'node:crypto';
import type { RoundStop } from '@ant-trail/contract/rounds';
import { addDays } from '@ant-trail/core/calendar';
import type { RoundDay, RoundLeg } from '@ant-trail/core/rounds';
import { roundDays } from '@ant-trail/core/rounds/days';
import { In, MoreThanOrEqual, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { makeJobs, planJob, type PlannedJob, type Planner } from '../planning/make-job.ts';
import { RoundRow, RoundWalkRow, type PlannedLeg } from './entities.ts';
import { adapt } from './adapt.ts';
import { allHolidays } from './holidays.ts';
import { legsOfRound } from './legs-of-round.ts';
import { todayOf } from './today.ts';
import { whoWalks } from './who-walks.ts';
import { withdraw } from './withdraw.ts';

/** So far ahead rounds are made: phones have what comes in the next days. */
export const DAYS_AHEAD = 14;

/**
 * Makes a round's walks of the days ahead, each once however often this runs, and takes back what is
 * no longer as the round is: as long as nobody has begun it. A stop that can't be planned is named at
 * its walk, and holds up none of the others.
 */
export async function makeAhead(
  db: EntityManager,
  organisation: string,
  id: string,
  clock: Date,
): Promise<void> {
  // One after the other: two at once would make the same twice.
  await db.query(`SELECT 1 FROM round WHERE id = $1 FOR UPDATE`, [id]);
  const round = await db.findOneBy(RoundRow, { id });
  if (!round) return;
  const today = await todayOf(db, clock);
  const wanted = round.retired ? [] : await daysAhead(db, round, today);
  const made = await db.findBy(RoundWalkRow, {
    ...{ round: id, withdrawn: false, day: MoreThanOrEqual(today) },
  });
  const kept = new Set<string>();
  let changes = round.trouble === null ? 0 : 1;
  for (const walk of made) {
    const asWanted = wanted.some(({ due, day }) => due === walk.due && day === walk.day);
    if (asWanted && walk.edition === round.edition) {
      kept.add(walk.due);
      continue;
    }
    changes++;
    const isKept = asWanted && (await adapt(db, organisation, walk, round));
    if (isKept || !(await withdraw(db, organisation, walk, round))) kept.add(walk.due);
  }
  const fresh = wanted.filter(({ due }) => !kept.has(due));
  const legs = fresh.length > 0 ? await legsOfRound(db, round) : [];
  for (const day of fresh) await makeWalk(db, organisation, round, legs, day);
  // It is looked at again and again: phones hear of it only where something is other.
  if (changes + fresh.length === 0) return;
  await db.update(RoundRow, { id }, { trouble: null });
  await announce(db, organisation, [{ kind: 'round', ref: id, reach: null }]);
}

/** The days of a round that are made ahead; those that were walked on another day already are not. */
async function daysAhead(db: EntityManager, round: RoundRow, today: string): Promise<RoundDay[]> {
  const holidays = new Set((await allHolidays(db)).map(({ day }) => day));
  const days = roundDays(round, holidays, today, addDays(today, DAYS_AHEAD));
  const before = await db.findBy(RoundWalkRow, {
    ...{ round: round.id, withdrawn: false, due: In(days.map(({ due }) => due)) },
  });
  const past = new Set(before.filter(({ day }) => day < today).map(({ due }) => due));
  return days.filter(({ due }) => !past.has(due));
}

async function makeWalk(
  db: EntityManager,
  organisation: string,
  round: RoundRow,
  legs: readonly RoundLeg<RoundStop>[],
  { due, day }: RoundDay,
): Promise<void> {
  const id = randomUUID();
  const troubles: string[] = [];
  const planned: PlannedLeg[] = [];
  const jobs: PlannedJob[] = [];
  const person = await whoWalks(db, round, troubles);
  const planner = { organisation, branch: round.branch, person: round.changedBy };
  for (const leg of legs)
    try {
      const made = await planLeg(db, planner, round, { id, day }, leg, person);
      jobs.push(made);
      planned.push({ job: made.job.id, start: leg.start, minutes: leg.minutes, person });
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      troubles.push(error.message);
    }
  await db.insert(RoundWalkRow, {
    ...{ id, org: organisation, round: round.id, due, day, edition: round.edition, planned },
    troubles: [...new Set(troubles)],
  });
  await makeJobs(db, planner, jobs);
}

function planLeg(
  db: EntityManager,
  planner: Planner,
  round: RoundRow,
  walk: { readonly id: string; readonly day: string },
  { site, stops: [first, ...others], start, minutes }: RoundLeg<RoundStop>,
  person: string | null,
): Promise<PlannedJob> {
  if (!first) throw new Error('a visit of a round has a stop');
  return planJob(
    db,
    planner,
    {
      ...{ site, template: first.template, asset: first.asset },
      moreSheets: others.map(({ template, asset }) => ({ template, asset, person: null })),
      ...{ title: round.name, instructions: round.instructions, day: walk.day, start, minutes },
      ...{ windowFrom: null, windowTo: null, person, recipients: round.recipients },
      reader: round.reader,
    },
    { round: { id: round.id, name: round.name, walk: walk.id } },
  );
}
