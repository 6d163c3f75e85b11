import { Id } from '@ant-trail/contract/common';
import { Dossier, QueueAnswer } from '@ant-trail/contract/review';
import { needOfEyes } from '@ant-trail/core/review';
import { In } from 'typeorm';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { findJobs, jobOf } from '../planning/jobs.ts';
import { titleOfSheet } from '../planning/title-of-sheet.ts';
import { visitFor } from '../planning/visit-for.ts';
import { findDossier } from './dossier.ts';

export const reviewRoutes = [
  route({
    method: 'get',
    path: '/api/review',
    allowed: 'read',
    summary: 'Sheets waiting to be read, worst first',
    answer: QueueAnswer,
    handle: async ({ db }) => {
      const waiting = await db.query<{ job: string }[]>(
        `SELECT DISTINCT job_id AS job FROM sheet WHERE summary->>'stage' = 'finished'`,
      );
      const rows = await findJobs(db, { id: In(waiting.map(({ job }) => job)) });
      const queue = rows
        .filter(({ decision }) => decision !== 'cancelled')
        .flatMap((row) =>
          row.sheets
            .filter(({ summary }) => summary.stage === 'finished')
            .map((sheet) => ({
              sheet: sheet.id,
              job: { ...jobOf(row), title: titleOfSheet(row, sheet) },
              siteName: row.site.name,
              person: visitFor(row, sheet).person,
              summary: sheet.summary,
              finishedAt: sheet.summary.finishedAt,
            })),
        )
        .sort(
          (a, b) =>
            needOfEyes(b.summary) - needOfEyes(a.summary) ||
            ((a.finishedAt ?? '') < (b.finishedAt ?? '') ? -1 : 1),
        );
      return { queue };
    },
  }),
  route({
    method: 'get',
    path: '/api/sheets/:id',
    allowed: 'read',
    summary: 'One sheet with its whole log and what belongs to it',
    params: z.object({ id: Id }),
    answer: Dossier,
    handle: ({ db, params }) => findDossier(db, params.id),
  }),
];
