import type { EarlierAnswers } from '@ant-trail/contract/capture';
import { answersToCarry, fold } from '@ant-trail/core/sheet';
import { In, LessThanOrEqual, Not, type EntityManager } from 'typeorm';
import { JobRow } from '../planning/entities.ts';
import { findVersions, planOf } from '../templates/versions.ts';
import { entriesOf } from './log.ts';

/** What the last finished visit before this job, at the same site with the same template, offers. */
export async function earlierAnswers(
  db: EntityManager,
  job: JobRow,
): Promise<EarlierAnswers | null> {
  const [before] = await db.find(JobRow, {
    where: {
      id: Not(job.id),
      site: { id: job.site.id },
      template: job.template,
      state: In(['finished', 'in review', 'approved', 'closed']),
      day: LessThanOrEqual(job.day),
    },
    relations: { sheet: true },
    order: { day: 'DESC', id: 'DESC' },
    take: 1,
  });
  if (!before) return null;
  const [version] = await findVersions(db, [before.sheet.version]);
  if (!version) return null;
  const entries = await entriesOf(db, before.sheet.id);
  const state = fold(
    planOf(version),
    entries.map((row) => row.body),
  );
  return {
    site: job.site.id,
    template: job.template,
    day: before.day,
    answers: answersToCarry(state),
  };
}
