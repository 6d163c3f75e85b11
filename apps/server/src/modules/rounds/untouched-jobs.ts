import { In, type EntityManager } from 'typeorm';
import { type JobRow } from '../planning/entities.ts';
import { findJobs } from '../planning/jobs.ts';

/**
 * The open jobs of a walk, as long as nobody has begun any of them; null where somebody has. Nobody can begin one until the transaction ends.
 */
export async function untouchedJobs(db: EntityManager, walk: string): Promise<JobRow[] | null> {
  const locked = await db.query<{ id: string }[]>(
    `SELECT id FROM job WHERE walk_id = $1 AND state <> 'cancelled' ORDER BY id FOR UPDATE`,
    [walk],
  );
  const ids = locked.map(({ id }) => id);
  const [{ touched } = { touched: true }] = await db.query<{ touched: boolean }[]>(
    `SELECT EXISTS (SELECT FROM job WHERE id = ANY($1) AND state NOT IN ('draft', 'planned'))
       OR EXISTS (SELECT FROM visit v JOIN visit_event e ON e.visit_id = v.id WHERE v.job_id = ANY($1))
       OR EXISTS (SELECT FROM sheet s JOIN entry e ON e.sheet_id = s.id WHERE s.job_id = ANY($1))
       AS touched`,
    [ids],
  );
  if (touched) return null;
  return ids.length > 0 ? findJobs(db, { id: In(ids) }) : [];
}
