import type { ObjectLiteral, SelectQueryBuilder } from 'typeorm';
import type { BranchPage } from './record.ts';

/** Narrows a query to a page of rows in the order of their ids. */
export function pageById<Row extends ObjectLiteral>(
  query: SelectQueryBuilder<Row>,
  name: string,
  { after, most }: BranchPage,
): SelectQueryBuilder<Row> {
  query.orderBy(`${name}.id`).limit(most);
  return after === null ? query : query.where(`${name}.id > :after`, { after });
}
