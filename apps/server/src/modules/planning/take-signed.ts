import { SignedOnSite, UNSIGNED } from '@ant-trail/contract/planning';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import {
  ANOTHERS_NAME,
  hadAsSaid,
  oneByOne,
  type OperationTaker,
  type Word,
} from '../../phones/operation.ts';
import { JobRow, SignedOnSiteRow } from './entities.ts';
import { announceJob, findJobs, restate } from './jobs.ts';
import { hasPartIn } from './who-has-part.ts';

/** Signatures of whoever answers for a place. */
export const signedTaker: OperationTaker<SignedOnSite> = {
  kind: 'signed on site',
  schema: SignedOnSite,
  take: oneByOne(takeOne),
};

async function takeOne(db: EntityManager, session: Session, said: SignedOnSite): Promise<Word> {
  if (said.by !== session.person) return { refused: ANOTHERS_NAME };
  await db.query(`SELECT 1 FROM job WHERE id = $1 FOR UPDATE`, [said.job]);
  const known = await db.findOneBy(SignedOnSiteRow, { id: said.id });
  if (known) return hadAsSaid(known.body, said);
  const [job] = await findJobs(db, { id: said.job }, 1);
  if (!job || !(await hasPartIn(db, job, session.person)))
    return { refused: 'This job is not here, or not yours.' };
  if (!job.visits.some(({ id }) => id === said.visit))
    return { refused: 'This visit is not one of the job.' };
  const { organisation } = session;
  await db.insert(SignedOnSiteRow, { org: organisation, id: said.id, job: job.id, body: said });
  const before = job.signing?.signed;
  // Said late, by a phone that was long without a network: the newer one counts.
  if (!before || before.id < said.id) {
    const { id, role, signature, by, at } = said;
    const signing = { ...(job.signing ?? { ...UNSIGNED, asked: false }) };
    await db.update(
      JobRow,
      { id: job.id },
      { signing: { ...signing, signed: { id, role, signature, by, at } } },
    );
  }
  await restate(db, organisation, job.id);
  await announceJob(db, organisation, job.id);
  return 'received';
}
