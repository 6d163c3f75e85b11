import { randomUUID } from 'node:crypto';
import { readMail, type StandInMail } from '@ant-trail/stand-ins/mail';
import { createTransport } from 'nodemailer';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { announce } from '../database/feed.ts';
import { inOrganisation } from '../database/tenancy.ts';

/** Says to the stand-in which organisation a message belongs to; a real mail server ignores it. */
export const ORGANISATION_HEADER = 'X-Ant-Trail-Organisation';

/** Likewise, who may see it in the stand-in’s box. */
const SEEN_BY_HEADER = 'X-Ant-Trail-Seen-By';

export interface Letter {
  readonly organisation: string;
  readonly to: readonly string[];
  readonly subject: string;
  readonly text: string;
  /** Who else than the addressee may see it at the desk: it holds something to keep to oneself. */
  readonly seenBy?: string;
  readonly attachments?: readonly Attachment[];
}

export interface Attachment {
  readonly name: string;
  readonly type: string;
  readonly bytes: Buffer;
}

export async function sendLetter(port: number, letter: Letter): Promise<void> {
  const transport = createTransport({
    host: '127.0.0.1',
    port,
    ignoreTLS: true,
  });
  try {
    await transport.sendMail({
      from: 'Ant Trail <reports@ant-trail.example>',
      to: [...letter.to],
      subject: letter.subject,
      text: letter.text,
      headers: {
        [ORGANISATION_HEADER]: letter.organisation,
        ...(letter.seenBy ? { [SEEN_BY_HEADER]: letter.seenBy } : {}),
      },
      attachments: (letter.attachments ?? []).map(({ name, type, bytes }) => ({
        ...{ filename: name, contentType: type, content: bytes },
      })),
    });
  } finally {
    transport.close();
  }
}

/** Keeps what arrives at the stand-in mail server where the organisation can read it. */
export function keepMail(data: DataSource, mail: StandInMail): void {
  mail.onMessage(async (raw, header) => {
    const organisation = z.uuid().parse(header(ORGANISATION_HEADER));
    const seenBy = z.uuid().optional().parse(header(SEEN_BY_HEADER)) ?? null;
    const id = randomUUID();
    const { subject, to, text } = await readMail(raw);
    const words = [subject, ...to, text].join(' ').toLowerCase();
    await inOrganisation(data, organisation, async (db) => {
      await db.query(
        `INSERT INTO mail_message (org_id, id, raw, seen_by, words)
         VALUES ($1, $2, $3, $4, $5)`,
        [organisation, id, raw, seenBy, words],
      );
      await announce(db, organisation, [{ kind: 'mail', ref: id }]);
    });
  });
}
