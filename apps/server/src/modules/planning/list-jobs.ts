import type { JobCard } from '@ant-trail/contract/planning';
import type { JobsQuery } from '@ant-trail/contract/planning/desk';
import { In, type EntityManager, type SelectQueryBuilder } from 'typeorm';
import { inOrderOf, listPage, patternsOf, type Order } from '../../database/list-page.ts';
import { narrowBy } from '../fields/narrow-by.ts';
import { JobRow } from './entities.ts';
import { cardOf, findJobs } from './jobs.ts';

const ID = { sql: 'j.id', holds: 'uuid' } as const;
const ORDERS: Record<'day' | 'place', Order['columns']> = {
  day: [{ sql: 'j.day', holds: 'date' }, ID],
  place: [{ sql: 's.name', holds: 'text' }, ID],
};

/** Jobs that are looked for, a page at a time. */
export async function listJobs(
  db: EntityManager,
  query: JobsQuery,
): Promise<{ rows: JobCard[]; next: string | null; total: number | null }> {
  const by = query.order.endsWith('place') ? 'place' : 'day';
  const order = { columns: ORDERS[by], descending: query.order.startsWith('-') };
  const page = await listPage(db, jobsLike(db, query), order, {
    ...query,
    dear: Boolean(query.text ?? query.where?.length),
  });
  const rows = await findJobs(db, { id: In([...page.ids]) });
  return { ...page, rows: inOrderOf(page.ids, rows).map(cardOf) };
}

function jobsLike(db: EntityManager, asked: JobsQuery): SelectQueryBuilder<JobRow> {
  const query = db.createQueryBuilder(JobRow, 'j').leftJoin('site', 's', 's.id = j.site_id');
  const { state, site, person, template, from, to } = asked;
  if (state) query.andWhere('j.state = :state', { state });
  if (site) query.andWhere('j.site_id = :site', { site });
  if (from) query.andWhere('j.day >= :from', { from });
  if (to) query.andWhere('j.day <= :to', { to });
  narrowBy(query, 'j.own_found', asked.where);
  if (template)
    query.andWhere(
      'EXISTS (SELECT 1 FROM sheet h WHERE h.job_id = j.id AND h.template_id = :template)',
      { template },
    );
  if (person === 'nobody')
    query.andWhere('EXISTS (SELECT 1 FROM visit v WHERE v.job_id = j.id AND v.person_id IS NULL)');
  else if (person)
    query.andWhere('j.id IN (SELECT v.job_id FROM visit v WHERE v.person_id = :person)', {
      person,
    });
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(
      `(j.words LIKE :word${at} OR j.site_id IN (SELECT w.id FROM site w WHERE w.words LIKE :word${at})
        OR j.id IN (SELECT v.job_id FROM visit v JOIN person p ON p.id = v.person_id
                    WHERE p.words LIKE :word${at}))`,
      { [`word${at}`]: pattern },
    );
  return query;
}
