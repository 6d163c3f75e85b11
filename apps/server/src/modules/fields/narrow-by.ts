import type { FieldFilter } from '@ant-trail/contract/fields';
import type { ObjectLiteral, SelectQueryBuilder } from 'typeorm';

/** Narrows a list by what its rows say under the keys of fields, which a column holds. */
export function narrowBy(
  query: SelectQueryBuilder<ObjectLiteral>,
  column: string,
  filters: readonly FieldFilter[] = [],
): void {
  for (const [at, filter] of filters.entries()) narrow(query, column, filter, at);
}

/**
 * What was said is compared as what it is: a number that is none under an older version of its question
 * fits no range, and breaks no list. Keys are values of the statement, never a part of it.
 */
function narrow(
  query: SelectQueryBuilder<ObjectLiteral>,
  column: string,
  filter: FieldFilter,
  at: number,
): void {
  const [key, by] = filter;
  query.setParameter(`key${at}`, key);
  const field = `(${column} -> :key${at})`;
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
