import type { KeptRound } from '@ant-trail/contract/rounds';
import { sayRule } from '@ant-trail/core/rounds';
import { In, type EntityManager } from 'typeorm';
import { byId, phoneRecords } from '../../phones/record.ts';
import { RoundRow } from './entities.ts';
import { holidaySet, nextDays, todayOf } from './rounds.ts';

/** All rounds in use, and those of `ids` that no longer are: a phone tells its person of theirs. */
async function keptRounds(db: EntityManager, ids: readonly string[] = []): Promise<KeptRound[]> {
  const rounds = await db.find(RoundRow, { where: [{ retired: false }, { id: In([...ids]) }] });
  const [first] = rounds;
  if (!first) return [];
  const [today, holidays] = [await todayOf(db, first.org), await holidaySet(db)];
  return rounds.map((row) => ({
    ...{ id: row.id, name: row.name, person: row.person, retired: row.retired },
    says: sayRule(row.rule),
    days: row.retired ? [] : nextDays(row, holidays, today).map(({ day }) => day),
  }));
}

export const roundRecords = phoneRecords({
  kind: 'round',
  forAll: async (db) => byId(await keptRounds(db)),
  after: { round: async (db, ids) => byId(await keptRounds(db, ids)) },
});
