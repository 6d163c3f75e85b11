import { BegunJob, UNSIGNED } from '@ant-trail/contract/planning';
import { UNPLANNED_MINUTES } from '@ant-trail/core/planning';
import type { EntityManager } from 'typeorm';
import { oneAtATime } from '../../database/lock.ts';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  oneByOne,
  type OperationTaker,
  type Word,
  hadBefore,
} from '../../phones/operation.ts';
import { SiteRow } from '../sites/entities.ts';
import { findVersions } from '../templates/versions.ts';
import { JobRow, VisitRow } from './entities.ts';
import { announceJob } from './jobs.ts';
import { addSheets, mustStandAt } from './new-sheets.ts';

/** Work that began on a phone without a plan is planned by that. */
export const begunJobTaker: OperationTaker<BegunJob> = {
  kind: 'job begun',
  schema: BegunJob,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, begun: BegunJob): Promise<Word> {
  if (begun.by !== session.person) return { refused: ANOTHERS_NAME };
  // The same from two tabs at once is taken once.
  await oneAtATime(db, 'beginning a job', begun.id);
  const known = await db.findOne(JobRow, {
    where: { id: begun.id },
    relations: { visits: true, sheets: true },
  });
  if (known)
    return hadBefore(
      known.visits.some(({ id }) => id === begun.visit) &&
        known.sheets.some(({ id }) => id === begun.sheet),
    );
  const site = await db.findOneBy(SiteRow, { id: begun.site });
  if (!site) return { refused: 'The office does not have this place.' };
  const [version] = await findVersions(db, [begun.version]);
  if (!version) return { refused: 'The office does not have this sheet’s template.' };
  await mustStandAt(db, site.id, begun.asset);
  const own = { org: session.organisation };
  await db.insert(JobRow, {
    ...own,
    id: begun.id,
    branch: session.branch,
    site: { id: site.id },
    template: version.template,
    title: begun.title,
    instructions: '',
    day: begun.day,
    windowFrom: null,
    windowTo: null,
    ...{ recipients: [], letterWords: {} },
    reader: null,
    expectedSheets: null,
    ...{ round: null, follows: null, signing: version.body.signedOnSite ? UNSIGNED : null },
    takes: [],
    decision: null,
    state: 'planned',
  });
  await db.insert(VisitRow, {
    ...{ ...own, id: begun.visit, job: { id: begun.id }, person: session.person },
    ...{ day: begun.day, start: begun.start, minutes: UNPLANNED_MINUTES, part: 'leads' },
  });
  await addSheets(db, session.organisation, begun.id, [
    {
      ...{ id: begun.sheet, version, asset: begun.asset },
      ...{ person: null, expected: true, addedBy: null },
    },
  ]);
  await announceJob(db, session.organisation, begun.id);
  return 'received';
}
