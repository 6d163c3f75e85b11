import type { EntityManager } from 'typeorm';
import { decide } from '../planning/decide.ts';
import { type RoundRow, RoundWalkRow } from './entities.ts';
import { untouchedJobs } from './untouched-jobs.ts';

/** Takes a walk back that the round no longer has; false, and all stays, where somebody has begun it. */
export async function withdraw(
  db: EntityManager,
  organisation: string,
  { id }: RoundWalkRow,
  { changedBy, name, retired }: RoundRow,
): Promise<boolean> {
  const jobs = await untouchedJobs(db, id);
  if (!jobs) return false;
  const reason = retired
    ? `The round “${name}” was retired.`
    : `The round “${name}” was changed: this is no longer a part of it.`;
  for (const job of jobs)
    await decide(db, { organisation, person: changedBy }, job.id, {
      ...{ decision: 'cancelled', reason },
    });
  await db.update(RoundWalkRow, { id }, { withdrawn: true });
  return true;
}
