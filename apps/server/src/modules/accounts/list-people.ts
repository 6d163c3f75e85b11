import type { PeopleQuery, Person } from '@ant-trail/contract/accounts';
import { In, type EntityManager } from 'typeorm';
import type { z } from 'zod';
import { inOrderOf, listPage, patternsOf } from '../../database/list-page.ts';
import { PersonRow } from './entities.ts';
import { personOf, WHOLE_PERSON } from './people.ts';

/** People who are looked for, a page at a time. */
export async function listPeople(
  db: EntityManager,
  asked: z.infer<typeof PeopleQuery>,
): Promise<{ rows: Person[]; next: string | null; total: number | null }> {
  const query = db
    .createQueryBuilder(PersonRow, 'p')
    .where('p.retired = :retired', { retired: asked.retired === 'yes' });
  if (asked.role) query.andWhere(':role = ANY(p.roles)', { role: asked.role });
  if (asked.expiring)
    query.andWhere(
      'EXISTS (SELECT 1 FROM credential c WHERE c.person_id = p.id AND c.expires_on < :expiring)',
      { expiring: asked.expiring },
    );
  if (asked.away)
    query.andWhere(
      `EXISTS (SELECT 1 FROM jsonb_array_elements(p.absences) a
        WHERE a->>'from' <= :away AND :away <= a->>'to')`,
      { away: asked.away },
    );
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(
      `(p.name ILIKE :word${at} OR p.email ILIKE :word${at} OR p.trade ILIKE :word${at}
        OR p.phone ILIKE :word${at} OR array_to_string(p.skills, ' ') ILIKE :word${at} OR EXISTS (SELECT 1 FROM credential c WHERE c.person_id = p.id
          AND (c.kind ILIKE :word${at} OR c.number ILIKE :word${at})))`,
      { [`word${at}`]: pattern },
    );
  const page = await listPage(
    db,
    query,
    {
      columns: [
        { sql: 'p.name', holds: 'text' },
        { sql: 'p.id', holds: 'uuid' },
      ],
      descending: asked.order.startsWith('-'),
    },
    asked,
  );
  const rows = await db.find(PersonRow, {
    where: { id: In([...page.ids]) },
    relations: WHOLE_PERSON,
  });
  return { ...page, rows: inOrderOf(page.ids, rows).map(personOf) };
}
