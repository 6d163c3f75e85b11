import { Id } from '@ant-trail/contract/common';
import { MailAnswer, TroubledAnswer, type MailMessage } from '@ant-trail/contract/reports';
import { readMail } from '@ant-trail/stand-ins/mail';
import { z } from 'zod';
import { notFound } from '../../http/problem.ts';
import { FileAnswer, longRoute, route, type Route } from '../../http/route.ts';
import type { MediaFiles } from '../media/files.ts';
import { keptReport } from './approvals.ts';
import type { ReportMaker } from './maker.ts';
import type { ReportQueue } from './queue.ts';
import { troubledReports, tryAgain } from './troubled.ts';

interface MailRow {
  readonly id: string;
  readonly raw: Buffer;
  readonly received_at: Date;
}

async function messageOf(row: MailRow): Promise<MailMessage> {
  const mail = await readMail(row.raw);
  return {
    id: row.id,
    from: mail.from,
    to: [...mail.to],
    subject: mail.subject,
    text: mail.text,
    receivedAt: row.received_at.toISOString(),
    attachments: mail.attachments.map(({ name, type, content }, index) => ({
      index,
      name,
      type,
      bytes: content.length,
    })),
  };
}

export const reportRoutes = (
  reports: ReportMaker,
  files: MediaFiles,
  queue: ReportQueue,
): Route[] => [
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
    summary: 'The newest 50 messages that reached the stand-in mail server',
    answer: MailAnswer,
    handle: async ({ db, session }) => {
      const rows = await db.query<MailRow[]>(
        `SELECT id, raw, received_at FROM mail_message
         WHERE seen_by IS NULL OR seen_by = $1 ORDER BY received_at DESC LIMIT 50`,
        [session.person],
      );
      return { messages: await Promise.all(rows.map(messageOf)) };
    },
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
