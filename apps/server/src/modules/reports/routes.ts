import { Id, ListQuery } from '@ant-trail/contract/common';
import { MailAnswer, TroubledAnswer } from '@ant-trail/contract/reports';
import { readMail } from '@ant-trail/stand-ins/mail';
import { z } from 'zod';
import { FileAnswer, longRoute, route, type Route } from '../../http/route.ts';
import { notFound } from '../../refusals/refusal.ts';
import type { MediaFiles } from '../media/files.ts';
import { keptConsent, keptReport } from './approvals.ts';
import type { ReportMaker } from './maker.ts';
import type { Queue } from '../../queue/queue.ts';
import { listSent, type MailRow } from './sent.ts';
import { troubledReports, tryAgain } from './troubled.ts';

export const reportRoutes = (reports: ReportMaker, files: MediaFiles, queue: Queue): Route[] => [
  longRoute({
    method: 'get',
    path: '/api/sheets/:id/report.pdf',
    allowed: 'read',
    summary: 'The report of a sheet as PDF: as it was approved, else from its log as it is now',
    params: z.object({ id: Id }),
    handle: async ({ within, params, session }) => {
      const kept = await within((db) => keptReport(db, params.id));
      const bytes = kept && (await files.read(session.organisation, kept.sha256));
      if (kept && bytes) return new FileAnswer('application/pdf', bytes, kept.name);
      const report = await reports.make(session.organisation, params.id, within);
      return new FileAnswer('application/pdf', report.bytes, report.name);
    },
  }),
  longRoute({
    method: 'get',
    path: '/api/sheets/:id/consent.pdf',
    allowed: 'read',
    summary:
      'What was consented to in a sheet, with its signature: as it was approved, else as it is',
    params: z.object({ id: Id }),
    query: z.object({ at: z.string().min(1).max(300) }),
    handle: async ({ within, params: { id }, query: { at }, session }) => {
      const { organisation } = session;
      const kept = await within((db) => keptConsent(db, id, at));
      const bytes = kept && (await files.read(organisation, kept.sha256));
      if (kept && bytes) return new FileAnswer('application/pdf', bytes, kept.name);
      const papers = await reports.consents(organisation, id, within);
      const paper = papers.find(({ path }) => path === at);
      if (!paper) throw notFound('This consent');
      return new FileAnswer('application/pdf', paper.bytes, paper.name);
    },
  }),
  route({
    method: 'get',
    path: '/api/reports/troubled',
    allowed: 'read',
    summary: 'Reports of approved sheets that could not be made or sent',
    answer: TroubledAnswer,
    handle: async ({ db }) => ({ reports: await troubledReports(db) }),
  }),
  route({
    method: 'post',
    path: '/api/sheets/:id/report/tries',
    allowed: 'read',
    summary: 'Make and send the report of an approved sheet once more',
    params: z.object({ id: Id }),
    handle: async ({ db, params, session }) => {
      await tryAgain(queue, db, session.organisation, params.id);
    },
  }),
  route({
    method: 'get',
    path: '/api/mail',
    allowed: 'read',
    summary: 'Messages that reached the stand-in mail server, the newest first',
    query: ListQuery,
    answer: MailAnswer,
    handle: ({ db, session, query }) => listSent(db, session.person, query),
  }),
  route({
    method: 'get',
    path: '/api/mail/:id/attachments/:index',
    allowed: 'read',
    summary: 'A file that came with a message',
    params: z.object({ id: Id, index: z.coerce.number().int().min(0) }),
    handle: async ({ db, params, session }) => {
      const [row] = await db.query<MailRow[]>(
        `SELECT * FROM mail_message WHERE id = $1 AND (seen_by IS NULL OR seen_by = $2)`,
        [params.id, session.person],
      );
      const file = row && (await readMail(row.raw)).attachments[params.index];
      if (!file) throw notFound('This attachment');
      return new FileAnswer(file.type, file.content, file.name);
    },
  }),
];
