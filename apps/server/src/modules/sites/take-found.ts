import { FoundPlace } from '@ant-trail/contract/sites';
import type { EntityManager } from 'typeorm';
import { oneAtATime } from '../../database/lock.ts';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  hadBefore,
  oneByOne,
  type OperationTaker,
  type Word,
} from '../../phones/operation.ts';
import { SiteRow } from './entities.ts';
import { tellOfSites } from './tell.ts';

/** Places the office did not know of, told by whoever is there. */
export const foundPlaceTaker: OperationTaker<FoundPlace> = {
  kind: 'place found',
  schema: FoundPlace,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, said: FoundPlace): Promise<Word> {
  if (said.by !== session.person) return { refused: ANOTHERS_NAME };
  await oneAtATime(db, 'a place found', said.id);
  const { id, name, address, lat, lon, sure, by, at } = said;
  const known = await db.findOneBy(SiteRow, { id });
  // What the office has made of it since is no reason to take it for another.
  if (known) return hadBefore(known.found === null || known.found.by === by);
  await db.insert(SiteRow, {
    ...{ id, org: session.organisation, branch: session.branch, name, address, lat, lon },
    ...{ client: '', number: '', access: '', hazards: [], contacts: [], hazardEnds: [] },
    ...{ radius: null, owner: '', retired: false, own: {}, found: { sure, by, at } },
  });
  await tellOfSites(db, session.organisation, [{ kind: 'site', ref: id, site: id }]);
  return 'received';
}
