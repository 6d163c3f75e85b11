import type { EntityManager } from 'typeorm';

/** What only one at a time may do; the numbers keep them apart in the database. */
const LOCKS = {
  'beginning a job': 8,
  /** Where things stand in each other, and what is there to be imported. */
  register: 9,
  label: 10,
  import: 11,
  'arrival details': 12,
  map: 13,
  'own fields': 14,
  documents: 15,
  'a place found': 16,
} as const;

/** Waits until nobody else is at it, and keeps others waiting until the transaction ends. */
export async function oneAtATime(
  db: EntityManager,
  what: keyof typeof LOCKS,
  id: string,
): Promise<void> {
  await db.query(`SELECT pg_advisory_xact_lock(hashtextextended($1, $2))`, [id, LOCKS[what]]);
}
