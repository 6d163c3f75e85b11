import type { KeptRound } from '@ant-trail/contract/rounds';
import { sayRule } from '@ant-trail/core/rounds';
import { In, type EntityManager, type FindOptionsWhere } from 'typeorm';
import { byId, phoneRecords } from '../../phones/record.ts';
import { RoundRow } from './entities.ts';
import { holidaySet, nextDays } from './rounds.ts';
import { todayOf } from './today.ts';

/** Rounds as phones keep them: a phone tells its person of theirs. */
async function keptRounds(
  db: EntityManager,
  where: FindOptionsWhere<RoundRow>,
): Promise<KeptRound[]> {
  const rounds = await db.findBy(RoundRow, where);
  const [today, holidays] = [await todayOf(db), await holidaySet(db)];
  return rounds.map((row) => ({
    ...{ id: row.id, name: row.name, person: row.person, retired: row.retired },
    says: sayRule(row.rule),
    days: row.retired ? [] : nextDays(row, holidays, today).map(({ day }) => day),
  }));
}

const IN_USE = { retired: false } as const;

export const roundRecords = phoneRecords({
  kind: 'round',
  forAll: async (db) => byId(await keptRounds(db, IN_USE)),
  after: {
    round: async (db, ids) => {
      const named = await keptRounds(db, { id: In([...ids]) });
      // Holidays are of no one round: whatever goes by them may have moved.
      const others = named.length < ids.length ? await keptRounds(db, IN_USE) : [];
      return byId([...new Map([...named, ...others].map((each) => [each.id, each])).values()]);
    },
  },
});
