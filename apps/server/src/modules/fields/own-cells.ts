import { sayFact, type Facts, type FieldHolder } from '@ant-trail/core/fields';
import type { EntityManager } from 'typeorm';
import type { Cell } from '../../tables/table-file.ts';
import { fieldsOf } from './own-fields.ts';

/** Titles of a table, with one for each of the office's own fields before the last. */
export const titlesWithOwn = async (
  db: EntityManager,
  holder: FieldHolder,
  titles: readonly string[],
): Promise<readonly string[]> => [
  ...titles.slice(0, -1),
  ...(await fieldsOf(db, holder)).map(({ label }) => label),
  ...titles.slice(-1),
];

/** How what is known by own fields is written in a table. */
export async function ownCells(
  db: EntityManager,
  holder: FieldHolder,
): Promise<(facts: Facts | undefined) => readonly Cell[]> {
  const fields = await fieldsOf(db, holder);
  return (facts = {}) => fields.map((field) => sayFact(field, facts, (day) => day));
}
