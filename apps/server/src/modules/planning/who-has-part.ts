import type { EntityManager } from 'typeorm';
import { TakenVisitRow, type JobRow, type VisitRow } from './entities.ts';

/** Who was at a job and is no more. What they still have to send is taken in. */
export interface Formers {
  /** Who handed over something of it themselves. */
  readonly givers: ReadonlySet<string>;
  /** From whom the office took a visit. */
  readonly losers: ReadonlySet<string>;
}

const NOBODY: Formers = { givers: new Set(), losers: new Set() };

/** By job, who was at these and is no more. */
export async function formersAt(
  db: EntityManager,
  jobs: readonly string[],
): Promise<(job: string) => Formers> {
  const found = new Map<string, { givers: Set<string>; losers: Set<string> }>();
  if (jobs.length === 0) return () => NOBODY;
  const rows = await db.query<{ job: string; person: string; how: 'givers' | 'losers' }[]>(
    `SELECT job_id AS job, from_person AS person, 'givers' AS how
       FROM handover WHERE job_id = ANY ($1)
     UNION SELECT v.job_id, t.person_id, 'losers'
       FROM taken_visit t JOIN visit v ON v.id = t.visit_id WHERE v.job_id = ANY ($1)`,
    [jobs],
  );
  for (const { job, person, how } of rows) {
    const here = found.get(job) ?? { givers: new Set<string>(), losers: new Set<string>() };
    here[how].add(person);
    found.set(job, here);
  }
  return (job) => found.get(job) ?? NOBODY;
}

/** Whether somebody is at a job, or was until it was handed over or taken from them. */
export async function hasPartIn(
  db: EntityManager,
  job: Pick<JobRow, 'id' | 'visits'>,
  person: string,
): Promise<boolean> {
  if (job.visits.some((visit) => visit.person === person)) return true;
  const { givers, losers } = (await formersAt(db, [job.id]))(job.id);
  return givers.has(person) || losers.has(person);
}

/** Notes from whom visits are taken, each once. */
export async function noteTaken(
  db: EntityManager,
  organisation: string,
  visits: readonly Pick<VisitRow, 'id' | 'person'>[],
): Promise<void> {
  const taken = visits.flatMap(({ id, person }) =>
    person === null ? [] : [{ org: organisation, visit: id, person }],
  );
  if (taken.length > 0)
    await db.createQueryBuilder().insert().into(TakenVisitRow).values(taken).orIgnore().execute();
}
