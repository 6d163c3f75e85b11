import type { RecordsQuery } from '@ant-trail/contract/records';
import type { EntityManager, SelectQueryBuilder } from 'typeorm';
import { patternsOf } from '../../database/list-page.ts';
import { narrowBy } from '../fields/narrow-by.ts';
import { SheetRow } from '../planning/entities.ts';

/** Finished sheets of a template that fit what is asked; those of cancelled jobs too, as what was captured stays. */
export function recordsLike(
  db: EntityManager,
  asked: Omit<RecordsQuery, 'order' | 'most'>,
): SelectQueryBuilder<SheetRow> {
  const query = db
    .createQueryBuilder(SheetRow, 's')
    .innerJoin('job', 'j', 'j.id = s.job_id')
    .innerJoin('site', 'p', 'p.id = j.site_id')
    .where('s.template_id = :template', { template: asked.template })
    .andWhere(`s.summary->>'stage' IN ('finished', 'approved')`);
  const { site, from, to, worst } = asked;
  if (site) query.andWhere('j.site_id = :site', { site });
  if (from) query.andWhere('j.day >= :from', { from });
  if (to) query.andWhere('j.day <= :to', { to });
  if (worst) query.andWhere(`(s.summary->>'worst')::int >= :worst`, { worst });
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(`(p.words LIKE :word${at} OR j.words LIKE :word${at})`, {
      [`word${at}`]: pattern,
    });
  narrowBy(query, 's.record', asked.where);
  return query;
}
