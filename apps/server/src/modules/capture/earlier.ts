import type { EarlierAnswers } from '@ant-trail/contract/capture';
import { In, LessThanOrEqual, Not, type EntityManager } from 'typeorm';
import { JobRow } from '../planning/entities.ts';

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
  return before
    ? {
        site: job.site.id,
        template: job.template,
        day: before.day,
        answers: [...before.sheet.carried],
      }
    : null;
}
