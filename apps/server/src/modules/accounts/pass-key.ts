import { In, type EntityManager } from 'typeorm';
import { PersonRow } from './entities.ts';

/** The keys by which these people answer for hold points, by person. */
export async function passKeysOf(
  db: EntityManager,
  people: readonly string[],
): Promise<Map<string, string>> {
  if (people.length === 0) return new Map();
  const rows = await db.find(PersonRow, {
    select: { id: true, passKey: true },
    where: { id: In([...people]) },
  });
  return new Map(rows.map(({ id, passKey }) => [id, passKey]));
}
