import { Id } from '@ant-trail/contract/common';
import { MailAnswer, type MailMessage } from '@ant-trail/contract/reports';
import { readMail } from '@ant-trail/stand-ins/mail';
import { z } from 'zod';
import { notFound } from '../../http/problem.ts';
import { FileAnswer, OFFICE, route, type Route } from '../../http/route.ts';
import type { ReportMaker } from './maker.ts';

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

export const reportRoutes = (reports: ReportMaker): Route[] => [
  route({
    method: 'get',
    path: '/api/sheets/:id/report.pdf',
    allowed: OFFICE,
    summary: 'The report of a sheet as PDF, made from its log as it is now',
    params: z.object({ id: Id }),
    handle: async ({ db, params, session }) => {
      const report = await reports.make(db, session.organisation, params.id);
      return new FileAnswer('application/pdf', report.bytes, report.name);
    },
  }),
  route({
    method: 'get',
    path: '/api/mail',
    allowed: OFFICE,
    summary: 'Messages that reached the stand-in mail server, newest first',
    answer: MailAnswer,
    handle: async ({ db }) => {
      const rows = await db.query<MailRow[]>(
        `SELECT id, raw, received_at FROM mail_message ORDER BY received_at DESC LIMIT 50`,
      );
      return { messages: await Promise.all(rows.map(messageOf)) };
    },
  }),
  route({
    method: 'get',
    path: '/api/mail/:id/attachments/:index',
    allowed: OFFICE,
    summary: 'A file that came with a message',
    params: z.object({ id: Id, index: z.coerce.number().int().min(0) }),
    handle: async ({ db, params }) => {
      const [row] = await db.query<MailRow[]>(`SELECT * FROM mail_message WHERE id = $1`, [
        params.id,
      ]);
      const file = row && (await readMail(row.raw)).attachments[params.index];
      if (!file) throw notFound('This attachment');
      return new FileAnswer(file.type, file.content, file.name);
    },
  }),
];
