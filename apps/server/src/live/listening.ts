import { Client } from 'pg';

const RECONNECT_MS = 500;
const LONGEST_PAUSE_MS = 10_000;

type Hear = (payload: string) => void;

/**
 * Listens to what the database announces, for as long as the server runs: when the connection is
 * lost it is made anew, however often that takes.
 */
export class Listening {
  private client: Client | null = null;
  private closed = false;
  private failures = 0;
  private timer: NodeJS.Timeout | null = null;
  private readonly hearers = new Map<string, Hear[]>();
  private readonly connected: (() => void)[] = [];

  constructor(private readonly url: string) {}

  on(channel: string, hear: Hear): void {
    this.hearers.set(channel, [...(this.hearers.get(channel) ?? []), hear]);
    void this.client?.query(`LISTEN ${channel}`).catch(() => undefined);
  }

  /** Called whenever it listens anew: what was announced meanwhile was not heard. */
  onConnect(call: () => void): void {
    this.connected.push(call);
  }

  get isConnected(): boolean {
    return this.client !== null;
  }

  /** Throws when the database can't be reached at first; later it tries on by itself. */
  async open(): Promise<void> {
    const client = new Client({ connectionString: this.url, keepAlive: true });
    // Both may come for one loss; whichever is first has it made anew.
    client.on('error', () => this.lost(client));
    client.on('end', () => this.lost(client));
    client.on('notification', ({ channel, payload }) => {
      for (const hear of this.hearers.get(channel) ?? []) hear(payload ?? '');
    });
    await client.connect();
    for (const channel of this.hearers.keys()) await client.query(`LISTEN ${channel}`);
    // Closed while it was being made anew.
    if (this.closed) return client.end();
    const isFirst = this.client === null && this.failures === 0;
    this.client = client;
    this.failures = 0;
    if (!isFirst) for (const call of this.connected) call();
  }

  async close(): Promise<void> {
    this.closed = true;
    if (this.timer) clearTimeout(this.timer);
    await this.client?.end();
  }

  private lost(client: Client): void {
    if (this.closed || (this.client !== null && this.client !== client)) return;
    this.client = null;
    this.again();
  }

  private again(): void {
    if (this.timer || this.closed) return;
    this.failures++;
    const pause = Math.min(RECONNECT_MS * 2 ** (this.failures - 1), LONGEST_PAUSE_MS);
    this.timer = setTimeout(() => {
      this.timer = null;
      this.open().catch(() => this.again());
    }, pause);
  }
}
