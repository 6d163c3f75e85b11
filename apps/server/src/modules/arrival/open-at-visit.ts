import type { OpeningAsked } from '@ant-trail/contract/arrival';
import { judgePresence } from '@ant-trail/core/geo';
import { isOver } from '@ant-trail/core/planning';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { VisitRow } from '../planning/entities.ts';
import { isPlaceNumber, noteOpening, readDetails } from './details.ts';

/** A visit of this person's own that is not over. */
async function mustBeOpenVisit(db: EntityManager, session: Session, id: string): Promise<VisitRow> {
  const visit = await db.findOne(VisitRow, {
    where: { id, person: session.person },
    relations: { events: true, job: { site: true } },
  });
  if (!visit) throw notFound('This visit');
  if (isOver(visit.events.map(({ body }) => body)))
    throw new Refusal(
      409,
      'visit-over',
      'This visit is over: what is only for whoever is there is closed again.',
    );
  return visit;
}

/** Digits and what stands between them, and nothing else. */
const isNumber = (typed: string): boolean => /^[\d\s\p{Pd}.]+$/u.test(typed);

/**
 * Opens a place's details without its code, for somebody on their way through a visit: because their
 * phone is there, or against a reason. Either way the office sees it at once.
 */
export async function openAtVisit(
  db: EntityManager,
  session: Session,
  own: Uint8Array,
  id: string,
  { fix, reason }: OpeningAsked,
): Promise<string> {
  const visit = await mustBeOpenVisit(db, session, id);
  const { site } = visit.job;
  const presence = fix ? judgePresence(site, fix) : null;
  const isThere = presence?.verdict === 'at the site';
  if (!isThere && reason === '')
    throw new Refusal(
      422,
      'say-why',
      presence
        ? 'Your phone does not seem to be there. Say why you need it: the office sees it at once.'
        : 'Say why you need it: the office sees it at once.',
    );
  const byNumber = !isThere && isNumber(reason);
  if (byNumber && !(await isPlaceNumber(db, site.id, reason)))
    throw new Refusal(
      422,
      'other-number',
      'This is not the number on the sheet of this place. Type it again, or say why in words.',
    );
  const words = await readDetails(db, own, site.id);
  await noteOpening(db, session.organisation, {
    ...{ site: site.id, visit: id, person: session.person, reason },
    // A number can be read to somebody over the telephone: it proves no more than words do.
    how: isThere ? 'position' : byNumber ? 'number' : 'reason',
  });
  return words;
}
