import type { RoundLine, RoundsQuery } from '@ant-trail/contract/rounds';
import { In, type EntityManager } from 'typeorm';
import { inOrderOf, listPage, patternsOf } from '../../database/list-page.ts';
import { RoundRow } from './entities.ts';
import { holidaySet, nextDays } from './rounds.ts';
import { todayOf } from './today.ts';
import { lastWalks } from './walks.ts';

/** Rounds that are looked for, a page at a time. */
export async function listRounds(
  db: EntityManager,
  asked: RoundsQuery,
): Promise<{ rows: RoundLine[]; next: string | null; total: number | null }> {
  const query = db
    .createQueryBuilder(RoundRow, 'r')
    .where('r.retired = :retired', { retired: asked.retired === 'yes' });
  if (asked.person === 'nobody') query.andWhere('r.person_id IS NULL');
  else if (asked.person) query.andWhere('r.person_id = :person', { person: asked.person });
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(`r.words LIKE :word${at}`, { [`word${at}`]: pattern });
  const columns = [
    { sql: 'r.name', holds: 'text' },
    { sql: 'r.id', holds: 'uuid' },
  ] as const;
  const page = await listPage(
    db,
    query,
    { columns, descending: asked.order.startsWith('-') },
    { ...asked, dear: Boolean(asked.text) },
  );
  const rounds = inOrderOf(page.ids, await db.findBy(RoundRow, { id: In([...page.ids]) }));
  const today = await todayOf(db);
  const holidays = await holidaySet(db);
  const last = await lastWalks(db, page.ids, today);
  const rows = rounds.map((row): RoundLine => {
    const { id, name, rule, person, retired, trouble } = row;
    const walk = last.get(id);
    return {
      ...{ id, name, rule, person, retired, trouble, stops: row.stops.length },
      next: (retired ? undefined : nextDays(row, holidays, today)[0]) ?? null,
      last: walk ? { day: walk.day, standing: walk.standing } : null,
    };
  });
  return { ...page, rows };
}
