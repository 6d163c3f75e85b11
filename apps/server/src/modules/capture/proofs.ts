import type { Entry } from '@ant-trail/core/log';
import { givenFits, isHold } from '@ant-trail/core/sheet';
import { In, type EntityManager } from 'typeorm';
import { EntryRow } from '../../log/entities.ts';
import { passKeysOf } from '../accounts/pass-key.ts';

/** Says why the code that comes with a hold point can't stand; null where it can, or none comes. */
export type ProofJudge = (entry: Entry) => string | null;

const proofOf = ({ value }: Entry) =>
  isHold(value) && value.proof !== undefined && value.person !== '' ? value : null;

const NOT_THEIRS =
  'The code is not one that this person’s phone gave for this step as it stood. Ask them for a new one.';

/**
 * Compares the codes of hold points with the keys of whoever they name. What a code was given for
 * includes what stood there before, so that may only name what is known on this path: otherwise it
 * could be chosen until an old code fits.
 */
export async function proofJudge(
  db: EntityManager,
  entries: readonly Entry[],
): Promise<ProofJudge> {
  const proven = entries.filter((entry) => proofOf(entry) !== null);
  if (proven.length === 0) return () => null;
  const people = proven.map((entry) => proofOf(entry)?.person ?? '');
  const keys = await passKeysOf(db, [...new Set(people)]);
  const named = [...new Set(proven.flatMap(({ seen }) => seen))];
  const stored = await db.find(EntryRow, {
    select: { id: true, sheet: true, path: true },
    where: { id: In(named) },
  });
  const places = new Map<string, string>();
  for (const { id, sheet, path } of [...entries, ...stored]) places.set(id, `${sheet} ${path}`);
  return (entry) => {
    const value = proofOf(entry);
    if (!value) return null;
    const known = entry.seen.every((id) => places.get(id) === `${entry.sheet} ${entry.path}`);
    const key = keys.get(value.person);
    return known && key !== undefined && givenFits(key, entry, value) ? null : NOT_THEIRS;
  };
}
