import { randomUUID } from 'node:crypto';
import type { JobDecisionDraft, JobDetails } from '@ant-trail/contract/planning/desk';
import { problemWithDecision } from '@ant-trail/core/planning';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { JobDecisionRow, JobRow } from './entities.ts';
import { nextOf } from './follow-up.ts';
import { announceJob, cardOf, findJob, restate } from './jobs.ts';

/** A job with what its sheets have come to and what was decided about it. */
export async function jobDetails(db: EntityManager, id: string): Promise<JobDetails> {
  const row = await findJob(db, { id });
  const card = cardOf(row);
  const summaries = new Map(row.sheets.map((sheet) => [sheet.id, sheet.summary]));
  const decisions = await db.find(JobDecisionRow, { where: { job: id }, order: { at: 'ASC' } });
  const next = await nextOf(db, row);
  return {
    card,
    sheets: card.job.sheets.map((sheet) => {
      const summary = summaries.get(sheet.id);
      return {
        id: sheet.id,
        stage: summary?.stage ?? 'untouched',
        answered: summary?.answered ?? 0,
        asked: summary?.asked ?? 0,
        next: next.get(sheet.id) ?? null,
      };
    }),
    decisions: decisions.map(({ decision, reason, by, at }) => ({
      ...{ decision, reason, by, at: at.toISOString() },
    })),
  };
}

/** Cancels, closes or opens a job again. What was captured stays whatever is decided. */
export async function decide(
  db: EntityManager,
  session: Pick<Session, 'organisation' | 'person'>,
  id: string,
  { decision, reason }: JobDecisionDraft,
): Promise<JobDetails> {
  const { organisation, person } = session;
  await db.query(`SELECT 1 FROM job WHERE id = $1 FOR UPDATE`, [id]);
  const { state } = await findJob(db, { id });
  const problem = problemWithDecision(state, decision);
  if (problem) throw new Refusal(409, 'not-now', problem);
  await db.insert(JobDecisionRow, {
    ...{ id: randomUUID(), org: organisation, job: id, decision, reason, by: person },
  });
  await db.update(JobRow, { id }, { decision });
  await restate(db, organisation, id);
  await announceJob(db, organisation, id);
  return jobDetails(db, id);
}
