import type { RoundStop } from '@ant-trail/contract/rounds';
import type { RoundLeg } from '@ant-trail/core/rounds';
import type { EntityManager } from 'typeorm';
import { JobRow } from '../planning/entities.ts';
import { announceJob } from '../planning/jobs.ts';
import { planVisit } from '../planning/plan-visit.ts';
import { RoundWalkRow, type RoundRow } from './entities.ts';
import { legsOfRound } from './legs-of-round.ts';
import { untouchedJobs } from './untouched-jobs.ts';
import { whoWalks } from './who-walks.ts';

/**
 * Gives a walk that was made already the hours, the person and the words its round has now; false, and
 * all stays, where its stops are others now, or somebody has begun it.
 */
export async function adapt(
  db: EntityManager,
  organisation: string,
  walk: RoundWalkRow,
  round: RoundRow,
): Promise<boolean> {
  const jobs = await untouchedJobs(db, walk.id);
  const legs = await legsOfRound(db, round);
  if (jobs?.length !== legs.length || walk.troubles.length > 0) return false;
  const pairs = legs.map((leg, at) => ({ leg, job: jobs[at] }));
  if (!pairs.every(({ leg, job }) => job && isFor(job, leg))) return false;
  const troubles: string[] = [];
  const person = await whoWalks(db, round, troubles);
  for (const { leg, job } of pairs) {
    const visit = job?.visits[0];
    if (!job || !visit) continue;
    await db.update(
      JobRow,
      { id: job.id },
      {
        ...{ title: round.name, instructions: round.instructions, recipients: round.recipients },
        ...{ reader: round.reader, round: { id: round.id, name: round.name, walk: walk.id } },
      },
    );
    const { start, minutes } = leg;
    await planVisit(db, { organisation }, visit.id, { day: walk.day, start, minutes, person });
    await announceJob(db, organisation, job.id);
  }
  await db.update(RoundWalkRow, { id: walk.id }, { edition: round.edition, troubles });
  return true;
}

/** One visit, as the office planned it, at the same place with the same sheets. */
function isFor(job: JobRow, { site, stops }: RoundLeg<RoundStop>): boolean {
  const sheets = [...job.sheets].sort((a, b) => a.place - b.place);
  return (
    job.site.id === site &&
    job.visits.length === 1 &&
    sheets.length === stops.length &&
    sheets.every(
      ({ template, asset }, at) => stops[at]?.template === template && stops[at].asset === asset,
    )
  );
}
