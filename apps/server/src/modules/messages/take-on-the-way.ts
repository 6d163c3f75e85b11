import { OnTheWay } from '@ant-trail/contract/messages';
import { hasSaid, isOver } from '@ant-trail/core/planning';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  oneByOne,
  type OperationTaker,
  type Taking,
  type Word,
  hadAsSaid,
} from '../../phones/operation.ts';
import { VisitRow } from '../planning/entities.ts';
import { OnTheWayRow } from './entities.ts';
import { WORDS } from './send-words.ts';
import { thereAt } from './told.ts';

/** Words to whoever is at a place that somebody is on the way; what waits is sent from there. */
export const onTheWayTaker: OperationTaker<OnTheWay> = {
  kind: 'on the way',
  schema: OnTheWay,
  take: (taking, bodies) =>
    oneByOne<OnTheWay>((db, session, body) => takeOne(db, session, body, taking.later))(
      taking,
      bodies,
    ),
};

/** So often whoever waits is told of one visit. */
const MOST_WORDS = 6;

async function takeOne(
  db: EntityManager,
  session: Session,
  body: OnTheWay,
  later: Taking['later'],
): Promise<Word> {
  if (body.by !== session.person) return { refused: ANOTHERS_NAME };
  const visit = await db.findOne(VisitRow, {
    where: { id: body.visit, person: session.person },
    relations: { events: true, job: { site: true } },
  });
  if (!visit) return { refused: 'This visit is not here, or not yours any more.' };
  const known = await db.findOneBy(OnTheWayRow, { id: body.id });
  if (known) return hadAsSaid(known.body, body);
  if ((await db.countBy(OnTheWayRow, { visit: visit.id })) >= MOST_WORDS)
    return { refused: 'They have been told often enough: call them.' };
  const { name, phone, email } = body.to;
  // Nobody is written to by the office but who belongs to the place.
  const isContact = visit.job.site.contacts.some(
    (contact) => contact.name === name && contact.phone === phone && contact.email === email,
  );
  if (!isContact) return { refused: `${name} is no contact of this place any more.` };
  const events = visit.events.map((event) => event.body);
  const isLate =
    hasSaid(events, 'arrived') || isOver(events) || thereAt({ body }).getTime() < Date.now();
  await db.insert(OnTheWayRow, {
    ...{ id: body.id, org: session.organisation, visit: visit.id, body },
    outcome: isLate ? 'too late' : 'waiting',
  });
  if (!isLate) await later(WORDS, { organisation: session.organisation, id: body.id });
  await announce(db, session.organisation, [{ kind: 'visit', ref: visit.id, reach: visit.job.id }]);
  return 'received';
}
