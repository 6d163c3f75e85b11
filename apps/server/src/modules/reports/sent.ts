import type { MailMessage } from '@ant-trail/contract/reports';
import type { ListQuery } from '@ant-trail/contract/common';
import { readMail } from '@ant-trail/stand-ins/mail';
import type { EntityManager } from 'typeorm';
import { listPage, patternsOf, inOrderOf } from '../../database/list-page.ts';

export interface MailRow {
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

/** Letters that went out, the newest first, a page at a time: those that this person may see. */
export async function listSent(
  db: EntityManager,
  person: string,
  asked: ListQuery,
): Promise<{ rows: MailMessage[]; next: string | null; total: number | null }> {
  const query = db
    .createQueryBuilder()
    .from('mail_message', 'm')
    .where('(m.seen_by IS NULL OR m.seen_by = :person)', { person });
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(`m.words LIKE :word${at}`, { [`word${at}`]: pattern });
  const columns = [
    { sql: 'm.received_at', holds: 'timestamptz' },
    { sql: 'm.id', holds: 'uuid' },
  ] as const;
  const page = await listPage(db, query, { columns, descending: true }, asked);
  const found = await db.query<MailRow[]>(
    `SELECT id, raw, received_at FROM mail_message WHERE id = ANY ($1)`,
    [page.ids],
  );
  return { ...page, rows: await Promise.all(inOrderOf(page.ids, found).map(messageOf)) };
}
