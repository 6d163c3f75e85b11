import type { RoundDetails, RoundWalk } from '@ant-trail/contract/rounds';
import { walkStanding } from '@ant-trail/core/rounds';
import { In, type EntityManager } from 'typeorm';
import { type JobRow } from '../planning/entities.ts';
import { RoundWalkRow } from './entities.ts';

/** So many walks of a round are told of; older ones are in the list of jobs. */
const WALKS_TOLD = 60;

interface JobFound {
  readonly id: string;
  readonly walk: string;
  readonly site_name: string;
  readonly state: JobRow['state'];
  readonly person: string | null;
  readonly left_out: number;
}

/** What was made of a round, the newest first. */
export async function walksOf(
  db: EntityManager,
  round: string,
  today: string,
): Promise<Pick<RoundDetails, 'walks' | 'older'>> {
  const found = await db.find(RoundWalkRow, {
    where: { round, withdrawn: false },
    order: { day: 'DESC' },
    take: WALKS_TOLD + 1,
  });
  const walks = await withJobs(db, found.slice(0, WALKS_TOLD), today);
  return { walks, older: found.length > WALKS_TOLD };
}

/** The last walk of each of some rounds whose day has come. */
export async function lastWalks(
  db: EntityManager,
  rounds: readonly string[],
  today: string,
): Promise<ReadonlyMap<string, RoundWalk>> {
  const found = await db.query<{ id: string }[]>(
    `SELECT DISTINCT ON (round_id) id FROM round_walk
     WHERE round_id = ANY($1) AND NOT withdrawn AND day <= $2 ORDER BY round_id, day DESC`,
    [[...rounds], today],
  );
  const walks = await db.findBy(RoundWalkRow, { id: In(found.map(({ id }) => id)) });
  const told = await withJobs(db, walks, today);
  return new Map(walks.map(({ round }, at) => [round, told[at]]).filter(isThere));
}

const isThere = (pair: (string | RoundWalk | undefined)[]): pair is [string, RoundWalk] =>
  pair[1] !== undefined;

async function withJobs(
  db: EntityManager,
  walks: readonly RoundWalkRow[],
  today: string,
): Promise<RoundWalk[]> {
  const jobs = await db.query<JobFound[]>(
    `SELECT j.id, j.walk_id AS walk, s.name AS site_name, j.state, v.person_id AS person,
            (SELECT count(*)::int FROM sheet h WHERE h.job_id = j.id AND h.left_out IS NOT NULL
               AND h.summary->>'stage' = 'untouched') AS left_out
     FROM job j JOIN site s ON s.id = j.site_id
     LEFT JOIN LATERAL (SELECT person_id, start FROM visit v WHERE v.job_id = j.id
                        ORDER BY v.part = 'leads' DESC, v.day DESC LIMIT 1) v ON true
     WHERE j.walk_id = ANY($1) ORDER BY v.start, j.id`,
    [walks.map(({ id }) => id)],
  );
  return walks.map(({ id, due, day, troubles }) => {
    const own = jobs.filter(({ walk }) => walk === id);
    return {
      ...{ id, due, day, troubles },
      standing: walkStanding(
        own.map(({ state }) => state),
        day,
        today,
      ),
      jobs: own.map(({ id: job, site_name: siteName, state, person, left_out: leftOut }) => ({
        ...{ id: job, siteName, state, person, leftOut },
      })),
    };
  });
}
