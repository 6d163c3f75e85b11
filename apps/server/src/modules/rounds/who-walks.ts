import type { EntityManager } from 'typeorm';
import { PersonRow } from '../accounts/entities.ts';
import type { RoundRow } from './entities.ts';

/** Who walks it: nobody yet, where whoever was named is no longer there. */
export async function whoWalks(
  db: EntityManager,
  { person }: RoundRow,
  troubles: string[],
): Promise<string | null> {
  if (person === null) return null;
  const found = await db.findOneBy(PersonRow, { id: person });
  if (found && !found.retired) return person;
  troubles.push(`${found?.name ?? 'Who walks it'} is retired: give it to somebody else.`);
  return null;
}
