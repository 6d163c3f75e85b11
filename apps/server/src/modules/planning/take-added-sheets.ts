import { AddedSheet, MOST_SHEETS, UNSIGNED } from '@ant-trail/contract/planning';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  oneByOne,
  type OperationTaker,
  type Word,
  hadBefore,
} from '../../phones/operation.ts';
import { findVersions } from '../templates/versions.ts';
import { JobRow, SheetRow } from './entities.ts';
import { announceJob, findJobs, mustBeColleagues, restate } from './jobs.ts';
import { addSheets, mustStandAt } from './new-sheets.ts';
import { hasPartIn } from './who-has-part.ts';

/** Sheets that somebody at a job found to be needed. */
export const addedSheetTaker: OperationTaker<AddedSheet> = {
  kind: 'sheet added',
  schema: AddedSheet,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, added: AddedSheet): Promise<Word> {
  if (added.by !== session.person) return { refused: ANOTHERS_NAME };
  await db.query(`SELECT 1 FROM job WHERE id = $1 FOR UPDATE`, [added.job]);
  const known = await db.findOne(SheetRow, { where: { id: added.id }, relations: { job: true } });
  if (known) return hadBefore(known.job.id === added.job && known.addedBy === added.by);
  const [job] = await findJobs(db, { id: added.job }, 1);
  if (!job || !(await hasPartIn(db, job, session.person)))
    return { refused: 'This job is not here, or not yours.' };
  if (job.sheets.length >= MOST_SHEETS)
    return { refused: `A job has at most ${MOST_SHEETS} sheets.` };
  const [version] = await findVersions(db, [added.version]);
  if (!version) return { refused: 'The office does not have this sheet’s template.' };
  await mustBeColleagues(db, [added.person]);
  await mustStandAt(db, job.site.id, added.asset);
  await addSheets(db, session.organisation, added.job, [
    {
      ...{ id: added.id, version, asset: added.asset, person: added.person },
      ...{ expected: false, addedBy: added.by },
    },
  ]);
  if (version.body.signedOnSite && !job.signing)
    await db.update(JobRow, { id: job.id }, { signing: UNSIGNED });
  await restate(db, session.organisation, added.job);
  await announceJob(db, session.organisation, added.job);
  return 'received';
}
