import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { pruneFeed } from '../database/feed.ts';
import { inOrganisation } from '../database/tenancy.ts';

const EVERY_MS = 60 * 60_000;
const SOON_MS = 60_000;

/** What is done now and then: old feed rows and sessions go, and uploads nobody went on with. */
export class Housekeeping {
  private readonly timers: NodeJS.Timeout[];

  constructor(
    private readonly data: DataSource,
    private readonly dropAbandonedUploads: () => Promise<unknown>,
    private readonly log: Pick<Logger, 'warn'>,
  ) {
    const tidy = (): void => void this.tidy();
    this.timers = [setTimeout(tidy, SOON_MS), setInterval(tidy, EVERY_MS)];
    for (const timer of this.timers) timer.unref();
  }

  close(): void {
    for (const timer of this.timers) clearInterval(timer);
  }

  async tidy(): Promise<void> {
    try {
      await this.dropAbandonedUploads();
      const rows = await this.data.query<{ id: string }[]>(`SELECT all_organisations() AS id`);
      for (const { id } of rows)
        await inOrganisation(this.data, id, async (db) => {
          await pruneFeed(db, id);
          await db.query(`DELETE FROM session WHERE expires_at < now()`);
        });
    } catch (error) {
      this.log.warn({ err: error }, 'tidying up failed; it is tried again');
    }
  }
}
