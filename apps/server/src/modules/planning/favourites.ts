import { FavouriteSaid, type Favourite } from '@ant-trail/contract/planning';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import { ANOTHERS_NAME, oneByOne, type OperationTaker, type Word } from '../../phones/operation.ts';
import { phoneRecords } from '../../phones/record.ts';
import { FavouriteRow } from './entities.ts';

/** So many of each person are kept; more are no favourites. */
const MOST = 500;

/** What people want first where they begin work by themselves, on any phone of theirs. */
export const favouriteTaker: OperationTaker<FavouriteSaid> = {
  kind: 'favourite',
  schema: FavouriteSaid,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, said: FavouriteSaid): Promise<Word> {
  if (said.by !== session.person) return { refused: ANOTHERS_NAME };
  const { organisation, person } = session;
  const known = await db.findOneBy(FavouriteRow, { person, ref: said.ref });
  // Said late, by another phone of theirs: the newer word stands.
  if (known && known.said >= said.id) return 'already had';
  if (!known && (await db.countBy(FavouriteRow, { person })) >= MOST)
    return { refused: `At most ${MOST} favourites are kept.` };
  const { of, on } = said;
  await db.upsert(
    FavouriteRow,
    { org: organisation, person, ref: said.ref, of, on, said: said.id },
    ['org', 'person', 'ref'],
  );
  await announce(db, organisation, [{ kind: 'favourite', ref: person, reach: person }]);
  return 'received';
}

async function favouritesOf(db: EntityManager, people: readonly string[]) {
  const rows = await db.findBy(FavouriteRow, { person: In([...people]) });
  return rows.map(({ ref, of, on, said }): { id: string; body: Favourite } => ({
    id: ref,
    body: { id: ref, of, on, said },
  }));
}

export const favouriteRecords = phoneRecords({
  kind: 'favourite',
  ofPerson: (db, person) => favouritesOf(db, [person]),
  after: { favourite: favouritesOf },
});
