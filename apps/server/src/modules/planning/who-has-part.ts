import type { EntityManager } from 'typeorm';
import { HandoverRow, type JobRow } from './entities.ts';

/** Who handed over something of these jobs, by job: what they still have to send is taken in too. */
export async function giversAt(
  db: EntityManager,
  jobs: readonly string[],
): Promise<Map<string, Set<string>>> {
  const givers = new Map<string, Set<string>>();
  if (jobs.length === 0) return givers;
  const rows = await db.query<{ job: string; person: string }[]>(
    `SELECT DISTINCT job_id AS job, from_person AS person FROM handover WHERE job_id = ANY ($1)`,
    [jobs],
  );
  for (const { job, person } of rows)
    givers.set(job, (givers.get(job) ?? new Set<string>()).add(person));
  return givers;
}

/** Whether somebody is at a job, or was until they handed it over. */
export async function hasPartIn(
  db: EntityManager,
  job: Pick<JobRow, 'id' | 'visits'>,
  person: string,
): Promise<boolean> {
  return (
    job.visits.some((visit) => visit.person === person) ||
    (await db.existsBy(HandoverRow, { job: job.id, from: person }))
  );
}
