import type { Express, Response } from 'express';
import { Client } from 'pg';
import type { DataSource } from 'typeorm';
import { FEED_CHANNEL } from '../database/feed.ts';
import { notSignedIn } from '../http/problem.ts';
import { readSession } from '../http/session.ts';

const HEARTBEAT_MS = 25_000;
const RECONNECT_MS = 1_000;

/** Tells desks that something changed, by server-sent events; they then ask for what they show. */
export class Live {
  private readonly listeners = new Map<string, Set<Response>>();
  private client: Client | null = null;
  private closed = false;

  constructor(private readonly url: string) {}

  async open(): Promise<void> {
    const client = new Client({ connectionString: this.url });
    client.on('error', () => {
      if (!this.closed) setTimeout(() => void this.open().catch(() => undefined), RECONNECT_MS);
    });
    client.on('notification', ({ payload }) => {
      for (const response of this.listeners.get(payload ?? '') ?? [])
        response.write('event: change\ndata: {}\n\n');
    });
    await client.connect();
    await client.query(`LISTEN ${FEED_CHANNEL}`);
    this.client = client;
  }

  async close(): Promise<void> {
    this.closed = true;
    for (const responses of this.listeners.values()) for (const each of responses) each.end();
    await this.client?.end();
  }

  mount(app: Express, data: DataSource): void {
    app.get('/api/live', async (request, response) => {
      const session = await readSession(data, request);
      if (!session) throw notSignedIn();
      response.set({
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-store',
      });
      response.write('retry: 3000\n\n');
      const listeners = this.listeners.get(session.organisation) ?? new Set<Response>();
      this.listeners.set(session.organisation, listeners.add(response));
      const heartbeat = setInterval(() => response.write(': here\n\n'), HEARTBEAT_MS);
      request.on('close', () => {
        clearInterval(heartbeat);
        listeners.delete(response);
      });
    });
  }
}
