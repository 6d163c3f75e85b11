import type { PlannersAnswer } from '@ant-trail/contract/planning/desk';
import type { EntityManager } from 'typeorm';
import type { z } from 'zod';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';

/** Whoever has not been heard of for so long, in seconds, plans no more. */
const GONE_AFTER = 70;

/** Who else plans just now. */
export async function planners(
  db: EntityManager,
  { person }: Session,
): Promise<z.infer<typeof PlannersAnswer>> {
  return {
    planners: await db.query(
      `SELECT person_id AS person, day::text AS day FROM planner
       WHERE person_id <> $1 AND seen > now() - make_interval(secs => $2)
       ORDER BY person_id`,
      [person, GONE_AFTER],
    ),
  };
}

/** Somebody plans a day, or no more. Others hear of it where it is news. */
export async function plannerHere(
  db: EntityManager,
  session: Session,
  day: string | null,
): Promise<void> {
  const { organisation, person } = session;
  const [before] = await db.query<{ day: string; here: boolean }[]>(
    `SELECT day::text AS day, seen > now() - make_interval(secs => $2) AS here
     FROM planner WHERE person_id = $1`,
    [person, GONE_AFTER],
  );
  if (day === null) await db.query(`DELETE FROM planner WHERE person_id = $1`, [person]);
  else
    await db.query(
      `INSERT INTO planner (org_id, person_id, day) VALUES ($1, $2, $3)
       ON CONFLICT (org_id, person_id) DO UPDATE SET day = excluded.day, seen = now()`,
      [organisation, person, day],
    );
  const was = before?.here ? before.day : null;
  if (was !== day) await announce(db, organisation, [{ kind: 'planner', ref: person }]);
}
