import type { Express, Response } from 'express';
import type { DataSource } from 'typeorm';
import { FEED_CHANNEL, readAnnounced, type Announced } from '../database/feed.ts';
import { readSession, type Session } from '../http/session.ts';
import { notSignedIn } from '../refusals/refusal.ts';
import type { Listening } from './listening.ts';

const HEARTBEAT_MS = 25_000;
/** Windows of one person that may listen at once; the oldest gives way to a new one. */
const STREAMS_EACH = 6;

interface Stream {
  readonly session: Session;
  readonly token: string;
  readonly response: Response;
}

/** Tells desks that something changed, by server-sent events; they then ask for what they show. */
export class Live {
  private readonly streams = new Map<string, Set<Stream>>();

  constructor(private readonly listening: Listening) {}

  open(): void {
    this.listening.on(FEED_CHANNEL, (payload) => this.tell(readAnnounced(payload)));
    // What changed while nobody listened is not known: everybody looks again.
    this.listening.onConnect(() => {
      for (const organisation of this.streams.keys()) this.tell({ organisation, changes: null });
    });
  }

  close(): void {
    for (const streams of this.streams.values()) for (const each of streams) each.response.end();
  }

  /** Ends the streams of a session that is over. */
  endSession(token: string): void {
    for (const streams of this.streams.values())
      for (const each of streams) if (each.token === token) each.response.end();
  }

  get count(): number {
    return [...this.streams.values()].reduce((sum, { size }) => sum + size, 0);
  }

  mount(app: Express, data: DataSource): void {
    app.get('/api/live', async (request, response) => {
      const session = await readSession(data, request);
      if (!session) throw notSignedIn();
      const stream = { session, token: session.token, response };
      this.add(stream);
      response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
      response.write('retry: 3000\n\n');
      const heartbeat = setInterval(() => {
        response.write(': here\n\n');
        // A session may have ended elsewhere, or run out.
        readSession(data, request).then(
          (still) => still ?? response.end(),
          () => undefined,
        );
      }, HEARTBEAT_MS);
      response.on('close', () => {
        clearInterval(heartbeat);
        this.remove(stream);
      });
    });
  }

  private add(stream: Stream): void {
    const { organisation, person } = stream.session;
    const streams = this.streams.get(organisation) ?? new Set();
    this.streams.set(organisation, streams);
    const own = [...streams].filter(({ session }) => session.person === person);
    if (own.length >= STREAMS_EACH) {
      const [oldest] = own;
      oldest?.response.end();
    }
    streams.add(stream);
  }

  private remove(stream: Stream): void {
    const { organisation } = stream.session;
    const streams = this.streams.get(organisation);
    streams?.delete(stream);
    if (streams?.size === 0) this.streams.delete(organisation);
  }

  private tell({ organisation, changes }: Announced): void {
    for (const { response } of this.streams.get(organisation) ?? [])
      response.write(`event: change\ndata: ${JSON.stringify({ changes })}\n\n`);
  }
}
