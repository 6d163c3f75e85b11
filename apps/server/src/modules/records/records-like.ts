import type { RecordFilter, RecordsQuery } from '@ant-trail/contract/records';
import type { EntityManager, SelectQueryBuilder } from 'typeorm';
import { patternsOf } from '../../database/list-page.ts';
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
  for (const [at, filter] of (asked.where ?? []).entries()) narrow(query, filter, at);
  return query;
}

/**
 * What a sheet says is compared as what it is: a number that is none in an older version of the template
 * fits no range, and breaks no list. Keys are values of the statement, never a part of it.
 */
function narrow(query: SelectQueryBuilder<SheetRow>, filter: RecordFilter, at: number): void {
  const [key, by] = filter;
  query.setParameter(`key${at}`, key);
  const field = `(s.record -> :key${at})`;
  switch (by) {
    case 'is':
      // Of several that were chosen, one is enough.
      query.andWhere(
        `(${field} -> 'v' = to_jsonb(:is${at}::text) OR ${field} -> 'v' @> jsonb_build_array(:is${at}::text))`,
        { [`is${at}`]: filter[2] },
      );
      return;
    case 'has': {
      const words = filter[2].replaceAll(/\s+/g, ' ').replaceAll(/[\\%_]/g, (sign) => `\\${sign}`);
      query.andWhere(`regexp_replace(${field} ->> 't', '\\s+', ' ', 'g') ILIKE :has${at}`, {
        [`has${at}`]: `%${words}%`,
      });
      return;
    }
    case 'from': {
      const number = `CASE WHEN jsonb_typeof(${field} -> 'v') = 'number' THEN (${field} ->> 'v')::float8 END`;
      const [, , low, high] = filter;
      query.andWhere(`${number} BETWEEN :low${at} AND :high${at}`, {
        [`low${at}`]: low ?? '-Infinity',
        [`high${at}`]: high ?? 'Infinity',
      });
      return;
    }
    case 'days': {
      const [, , from, to] = filter;
      query.andWhere(`${field} ->> 'v' BETWEEN :first${at} AND :last${at}`, {
        [`first${at}`]: from ?? '0000',
        [`last${at}`]: to ?? '9999',
      });
      return;
    }
    case 'bad':
      query.andWhere(`(${field} ->> 'bad')::boolean`);
  }
}
