import type { Message, MessageThreads } from '@ant-trail/contract/messages';
import { In, type EntityManager, type FindOptionsWhere } from 'typeorm';
import type { z } from 'zod';
import { announce } from '../../database/feed.ts';
import { byId, phoneRecords } from '../../phones/record.ts';
import { PersonRow } from '../accounts/entities.ts';
import { VisitRow } from '../planning/entities.ts';
import { MessageRow } from './entities.ts';

/** So many of the last messages with somebody are shown, and are on a phone that begins. */
export const MOST_SHOWN = 200;
/** So many people stand in the list. */
const MOST_THREADS = 500;

/** Messages with the names of the places they are about, the oldest first; of many the last. */
export async function messagesWhere(
  db: EntityManager,
  where: FindOptionsWhere<MessageRow>,
  most?: number,
): Promise<Message[]> {
  const rows = await db.find(MessageRow, {
    ...{ where, order: { id: 'DESC' } },
    ...(most === undefined ? {} : { take: most }),
  });
  const visits = await db.find(VisitRow, {
    where: { id: In(rows.flatMap(({ visit }) => visit ?? [])) },
    relations: { job: { site: true } },
  });
  const places = new Map(visits.map(({ id, job }) => [id, job.site.name]));
  return rows.reverse().map(({ id, person, visit, body, seenAt }) => ({
    ...{ id, person, visit, siteName: places.get(visit ?? '') ?? null },
    ...{ text: body.text, by: body.by, at: body.at, seenAt: seenAt?.toISOString() ?? null },
  }));
}

/** Whom the office writes with, whoever wrote last first. */
export async function messageThreads(db: EntityManager): Promise<z.infer<typeof MessageThreads>> {
  const lines = await db.query<{ person: string; last: string; unseen: number }[]>(
    `SELECT person_id AS person, max(id::text) AS last,
            count(*) FILTER (WHERE seen_at IS NULL AND body ->> 'by' = person_id::text)::int AS unseen
     FROM message GROUP BY person_id ORDER BY max(id::text) DESC LIMIT $1`,
    [MOST_THREADS],
  );
  const last = await messagesWhere(db, { id: In(lines.map((line) => line.last)) });
  const shown = new Map(last.map((each) => [each.id, each]));
  const people = await db.findBy(PersonRow, { id: In(lines.map(({ person }) => person)) });
  const names = new Map(people.map(({ id, name }) => [id, name]));
  return {
    threads: lines.flatMap(({ person, last: id, unseen }) => {
      const message = shown.get(id);
      return message ? [{ person, name: names.get(person) ?? '', last: message, unseen }] : [];
    }),
  };
}

/** Tells the phone it is written to or from, and desks. */
export const announceMessages = (
  db: EntityManager,
  organisation: string,
  rows: readonly Pick<MessageRow, 'id' | 'person'>[],
): Promise<void> =>
  announce(
    db,
    organisation,
    rows.map(({ id, person }) => ({ kind: 'message', ref: id, reach: person })),
  );

/** Messages with a person, and about the stops of their jobs, whoever had them before. */
export const messageRecords = phoneRecords({
  kind: 'message',
  ofPerson: async (db, person) => byId(await messagesWhere(db, { person }, MOST_SHOWN)),
  withJobs: async (db, jobs) => {
    const visits = await db.find(VisitRow, {
      select: { id: true },
      where: { job: { id: In(jobs.map(({ id }) => id)) } },
    });
    return byId(await messagesWhere(db, { visit: In(visits.map(({ id }) => id)) }));
  },
  after: { message: async (db, ids) => byId(await messagesWhere(db, { id: In([...ids]) })) },
});
