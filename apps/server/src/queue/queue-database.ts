import { Pool } from 'pg';

/** Few connections are enough: what the queue asks is short, and may wait for its turn. */
const CONNECTIONS = 2;

/**
 * What the queue asks of the database. A pool that ends forgets whoever still waits for one of its
 * connections, and a worker of the queue that waits so never stops: here everything asked is
 * answered before the pool ends.
 */
export class QueueDatabase {
  private readonly pool: Pool;
  private readonly asked = new Set<Promise<unknown>>();
  private ending = false;

  constructor(url: string, onError: (error: Error) => void) {
    this.pool = new Pool({ connectionString: url, max: CONNECTIONS });
    this.pool.on('error', onError);
  }

  async executeSql(text: string, values?: unknown[]): Promise<{ rows: unknown[] }> {
    // A task that outlived the closing can’t be told done: it is found again, and done again, later.
    if (this.ending) return { rows: [] };
    const answer = this.pool.query<Record<string, unknown>>(text, values);
    const settled: Promise<unknown> = answer.catch(() => undefined);
    void settled.then(() => this.asked.delete(settled));
    this.asked.add(settled);
    return answer;
  }

  async close(): Promise<void> {
    this.ending = true;
    while (this.asked.size > 0) await Promise.all(this.asked);
    await this.pool.end();
  }
}
