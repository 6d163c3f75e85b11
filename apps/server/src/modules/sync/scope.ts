import type { EntityManager } from 'typeorm';
import type { Reader } from './feed-page.ts';

export interface ScopedJob {
  readonly id: string;
  /** Everybody's visits to it. */
  readonly visits: readonly string[];
  /** The last day this person is at it. */
  readonly last: string;
}

/**
 * The jobs on this person's trail: the days around today, what is unfinished, what came back. How long
 * each visit stays is kept with it (`visit.until`), so this looks at no other visit than those.
 */
export async function findScope(
  db: EntityManager,
  { person, today, last }: Reader,
): Promise<ScopedJob[]> {
  return db.query<ScopedJob[]>(
    `SELECT own.id, own.last, array_agg(v.id::text) AS visits FROM (
       SELECT v.job_id AS id, max(v.day)::text AS last FROM visits_on_phone($1, $2, $3) v
       GROUP BY v.job_id
     ) own JOIN visit v ON v.job_id = own.id
     GROUP BY own.id, own.last ORDER BY own.id`,
    [person, today, last],
  );
}
