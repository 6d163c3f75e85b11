import type { RoundStop } from '@ant-trail/contract/rounds';
import type { RoundLeg } from '@ant-trail/core/rounds';
import type { EntityManager } from 'typeorm';
import { JobRow, type VisitRow } from '../planning/entities.ts';
import { announceJob } from '../planning/jobs.ts';
import { planVisit } from '../planning/plan-visit.ts';
import { RoundWalkRow, type PlannedLeg, type RoundRow } from './entities.ts';
import { legsOfRound } from './legs-of-round.ts';
import { untouchedJobs } from './untouched-jobs.ts';
import { whoWalks } from './who-walks.ts';

/**
 * Gives a walk that was made already the hours, the person and the words its round has now; false, and
 * all stays, where its stops are others now, or somebody has begun it. What was called off or planned
 * otherwise by hand stays so: the round is not asked about it any more.
 */
export async function adapt(
  db: EntityManager,
  organisation: string,
  walk: RoundWalkRow,
  round: RoundRow,
): Promise<boolean> {
  const jobs = await untouchedJobs(db, walk.id);
  const legs = await legsOfRound(db, round);
  if (!jobs || legs.length !== walk.planned.length || walk.troubles.length > 0) return false;
  const pairs = walk.planned.flatMap((was, at) => {
    const [leg, job] = [legs[at], jobs.find(({ id }) => id === was.job)];
    return leg && job ? [{ was, leg, job }] : [];
  });
  if (!pairs.every(({ leg, job }) => isFor(job, leg))) return false;
  const troubles: string[] = [];
  const person = await whoWalks(db, round, troubles);
  for (const { was, leg, job } of pairs) {
    await db.update(
      JobRow,
      { id: job.id },
      {
        ...{ title: round.name, instructions: round.instructions, recipients: round.recipients },
        ...{ reader: round.reader, round: { id: round.id, name: round.name, walk: walk.id } },
      },
    );
    const visit = job.visits.find(({ part }) => part === 'leads');
    const { start, minutes } = leg;
    if (visit && isAsPlanned(visit, was, walk.day))
      await planVisit(db, { organisation }, visit.id, { day: walk.day, start, minutes, person });
    await announceJob(db, organisation, job.id);
  }
  const planned = walk.planned.map(({ job }, at) => ({
    ...{ job, person, start: legs[at]?.start ?? 0, minutes: legs[at]?.minutes ?? 0 },
  }));
  const { edition } = round;
  await db.update(RoundWalkRow, { id: walk.id }, { edition, troubles, planned });
  return true;
}

/** At the same place, with the same sheets. */
function isFor(job: JobRow, { site, stops }: RoundLeg<RoundStop>): boolean {
  const sheets = [...job.sheets].sort((a, b) => a.place - b.place);
  return (
    job.site.id === site &&
    sheets.length === stops.length &&
    sheets.every(
      ({ template, asset }, at) => stops[at]?.template === template && stops[at].asset === asset,
    )
  );
}

const isAsPlanned = (visit: VisitRow, was: PlannedLeg, day: string): boolean =>
  visit.day === day &&
  visit.start === was.start &&
  visit.minutes === was.minutes &&
  visit.person === was.person;
