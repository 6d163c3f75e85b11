import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { simpleParser, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';

type OnMessage = (raw: Buffer, header: (name: string) => string | undefined) => Promise<unknown>;

/** A mail server on loopback that delivers nothing: it hands every message to its one reader. */
export class StandInMail {
  private readonly server: SMTPServer;
  private reader: OnMessage = () => Promise.resolve();

  constructor() {
    this.server = new SMTPServer({
      authOptional: true,
      disabledCommands: ['STARTTLS', 'AUTH'],
      onData: (stream, _session, done) => {
        const chunks: Buffer[] = [];
        stream.on('data', (chunk: Buffer) => chunks.push(chunk));
        stream.on('end', () => {
          const raw = Buffer.concat(chunks);
          simpleParser(raw)
            .then((mail) => this.reader(raw, (name) => headerOf(mail, name)))
            .then(
              () => done(),
              (error: unknown) => done(error instanceof Error ? error : new Error(String(error))),
            );
        });
      },
    });
    // A client that goes away in the middle is nothing to stop for.
    this.server.on('error', () => undefined);
  }

  onMessage(reader: OnMessage): void {
    this.reader = reader;
  }

  /** Listens on a free loopback port, and gives it. */
  async open(): Promise<number> {
    const listener = this.server.listen(0, '127.0.0.1');
    await once(listener, 'listening');
    return (listener.address() as AddressInfo).port;
  }

  close(): Promise<void> {
    return new Promise((resolve) => this.server.close(() => resolve()));
  }
}

function headerOf(mail: ParsedMail, name: string): string | undefined {
  const value = mail.headers.get(name.toLowerCase());
  return typeof value === 'string' ? value : undefined;
}

export interface ReadMail {
  readonly from: string;
  readonly to: readonly string[];
  readonly subject: string;
  readonly text: string;
  readonly attachments: readonly {
    readonly name: string;
    readonly type: string;
    readonly content: Buffer;
  }[];
}

/** Reads a message as people see it. */
export async function readMail(raw: Buffer): Promise<ReadMail> {
  const mail = await simpleParser(raw);
  const to = Array.isArray(mail.to) ? mail.to : mail.to ? [mail.to] : [];
  return {
    from: mail.from?.text ?? '',
    to: to.map((address) => address.text),
    subject: mail.subject ?? '',
    text: mail.text ?? '',
    attachments: mail.attachments.map((file) => ({
      name: file.filename ?? 'attachment',
      type: file.contentType,
      content: file.content,
    })),
  };
}
