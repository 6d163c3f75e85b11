import { VisitEvent } from '@ant-trail/contract/planning';
import { contentHash } from '@ant-trail/core/log';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { markDue } from '../../log/due.ts';
import type { OperationTaker, Taking, Word } from '../../phones/operation.ts';
import { VisitEventRow, VisitRow } from './entities.ts';
import { formersAt } from './who-has-part.ts';

/** What happened at a visit, as the phone of the person whose visit it is tells it. */
export const visitEventTaker: OperationTaker<VisitEvent> = {
  kind: 'visit event',
  schema: VisitEvent,
  take: takeVisitEvents,
};

const ENDS: ReadonlySet<VisitEvent['kind']> = new Set<VisitEvent['kind']>(['left', 'turned back']);

async function takeVisitEvents(
  { db, session }: Taking,
  events: readonly VisitEvent[],
): Promise<Word[]> {
  const visits = await db.find(VisitRow, {
    where: { id: In(events.map(({ visit }) => visit)) },
    relations: { job: { sheets: true } },
  });
  const formers = await formersAt(
    db,
    visits.map(({ job }) => job.id),
  );
  const wasThere = (job: string): boolean => {
    const { givers, losers } = formers(job);
    return givers.has(session.person) || losers.has(session.person);
  };
  const byId = new Map(
    visits
      .filter(({ person, job }) => person === session.person || wasThere(job.id))
      .map((visit) => [visit.id, visit]),
  );
  const isTheirs = (event: VisitEvent): boolean =>
    byId.has(event.visit) && event.by === session.person;
  // Whoever lost the visit tells where they were; they don't end it for whoever has it now.
  const endsAnothers = ({ visit, kind }: VisitEvent): boolean => {
    const at = byId.get(visit);
    if (!at || !ENDS.has(kind) || at.person === session.person) return false;
    return !formers(at.job.id).givers.has(session.person);
  };
  const isOwn = (event: VisitEvent): boolean => isTheirs(event) && !endsAnothers(event);
  const fresh = await insertNew(db, session.organisation, events.filter(isOwn));
  const stored = new Map(
    (await db.findBy(VisitEventRow, { id: In(events.map(({ id }) => id)) })).map((row) => [
      row.id,
      contentHash(row.body),
    ]),
  );
  const touched = visits.filter(({ id }) =>
    events.some((event) => event.visit === id && fresh.has(event.id)),
  );
  await markDue(
    db,
    session.organisation,
    touched.flatMap(({ job }) => job.sheets.map(({ id }) => id)),
  );
  await announce(
    db,
    session.organisation,
    touched.map(({ id, job }) => ({ kind: 'visit', ref: id, reach: job.id })),
  );
  const taken = new Set<string>();
  return events.map((event) => {
    if (!isTheirs(event)) return { refused: 'This visit is not here, or not yours any more.' };
    if (endsAnothers(event)) return { refused: 'Somebody else has this visit now, and ends it.' };
    if (stored.get(event.id) !== contentHash(event))
      return { refused: 'The office already has something else under this number.' };
    const isFirst = fresh.has(event.id) && !taken.has(event.id);
    taken.add(event.id);
    return isFirst ? 'received' : 'already had';
  });
}

async function insertNew(
  db: EntityManager,
  organisation: string,
  events: readonly VisitEvent[],
): Promise<Set<string>> {
  const rows = await db.query<{ id: string }[]>(
    `INSERT INTO visit_event (org_id, id, visit_id, body)
     SELECT DISTINCT ON (body->>'id') $1::uuid, (body->>'id')::uuid, (body->>'visit')::uuid, body
     FROM jsonb_array_elements($2::jsonb) WITH ORDINALITY AS given (body, nr)
     ORDER BY body->>'id', nr
     ON CONFLICT (org_id, id) DO NOTHING RETURNING id`,
    [organisation, JSON.stringify(events)],
  );
  return new Set(rows.map(({ id }) => id));
}
