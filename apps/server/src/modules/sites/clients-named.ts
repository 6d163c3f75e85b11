import type { EntityManager } from 'typeorm';
import { ClientRow } from './entities.ts';

/** Places name their client by its name, however it is written. */
export const clientKey = (name: string): string => name.trim().toLowerCase();

/** Clients that places name, by the key of their name. */
export async function clientsNamed(
  db: EntityManager,
  names: readonly string[],
): Promise<ReadonlyMap<string, ClientRow>> {
  const wanted = [...new Set(names.map(clientKey).filter(Boolean))];
  if (wanted.length === 0) return new Map();
  const rows = await db
    .createQueryBuilder(ClientRow, 'c')
    .where('lower(trim(c.name)) = ANY (:wanted)', { wanted })
    .getMany();
  return new Map(rows.map((row) => [clientKey(row.name), row]));
}
