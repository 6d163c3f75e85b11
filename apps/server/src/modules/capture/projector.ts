import type { Logger } from 'pino';
import type { DataSource, EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { inOrganisation } from '../../database/tenancy.ts';
import type { Listening } from '../../live/listening.ts';
import { announceSheets } from '../../log/append.ts';
import { organisationsDue, DUE_CHANNEL } from '../../log/due.ts';
import type { Projection } from '../../log/fold-tasks.ts';
import type { Folding } from '../../log/folding.ts';
import { TooMuchWork } from '../../turns/worker-line.ts';
import { SheetRow } from '../planning/entities.ts';
import { restate } from '../planning/jobs.ts';
import { registerFound } from '../register/register.ts';
import { keepSaid } from './said-of-things.ts';
import { sheetAsText } from './sheet-as-text.ts';

/** Takes note of an approval within the transaction that first sees it. */
export type OnApproval = (
  db: EntityManager,
  organisation: string,
  sheet: string,
  approval: NonNullable<Projection['approval']>,
  summary: Projection['summary'],
) => Promise<void>;

const SHEETS_AT_ONCE = 2;
const SHEETS_A_LOOK = 20;

/**
 * Keeps current what is projected from the logs of sheets: summaries, readings, what was found on
 * site, states of jobs. It follows the pushes at its own pace, however many come for one sheet
 * meanwhile, and takes up after a crash what is still due.
 */
export class Projector {
  private readonly due = new Set<string>();
  private running: Promise<void> | null = null;
  private closed = false;

  constructor(
    private readonly data: DataSource,
    private readonly folding: Folding,
    private readonly onApproval: OnApproval,
    private readonly log: Pick<Logger, 'error' | 'warn'>,
  ) {}

  /** Begins to follow: what is due already, then what is announced. */
  follow(listening: Listening): void {
    listening.on(DUE_CHANNEL, (organisation) => this.soon([organisation]));
    listening.onConnect(() => void this.catchUp());
    void this.catchUp();
  }

  async close(): Promise<void> {
    this.closed = true;
    await this.running;
  }

  private async catchUp(): Promise<void> {
    try {
      this.soon(await organisationsDue(this.data));
    } catch (error) {
      this.log.warn({ err: error }, 'what is due could not be asked for');
    }
  }

  private soon(organisations: readonly string[]): void {
    for (const organisation of organisations) this.due.add(organisation);
    if (this.closed || this.running) return;
    this.running = this.workOff().finally(() => {
      this.running = null;
      if (this.due.size > 0) this.soon([]);
    });
  }

  private async workOff(): Promise<void> {
    while (this.due.size > 0 && !this.closed) {
      const organisations = [...this.due];
      this.due.clear();
      await Promise.all(organisations.map((organisation) => this.workOffOne(organisation)));
    }
  }

  private async workOffOne(organisation: string): Promise<void> {
    try {
      const sheets = await inOrganisation(this.data, organisation, (db) =>
        db.query<{ sheet_id: string; mark: string }[]>(
          `SELECT sheet_id, mark FROM sheet_due ORDER BY mark LIMIT $1`,
          [SHEETS_A_LOOK],
        ),
      );
      const waiting = [...sheets];
      const line = async (): Promise<void> => {
        for (let next = waiting.shift(); next && !this.closed; next = waiting.shift())
          await this.project(organisation, next.sheet_id, next.mark);
      };
      await Promise.all(Array.from({ length: SHEETS_AT_ONCE }, line));
      if (sheets.length === SHEETS_A_LOOK) this.due.add(organisation);
    } catch (error) {
      // The database is away, or the server is stopping: what is due stays so.
      if (!this.closed) this.log.error({ err: error }, 'projecting failed');
    }
  }

  /** Brings one sheet up to date. One that can't be folded is set aside with words. */
  private async project(organisation: string, sheet: string, mark: string): Promise<void> {
    const { text, people, about } = await inOrganisation(this.data, organisation, async (db) => ({
      text: await sheetAsText(db, sheet),
      people: await db.query<{ id: string; name: string }[]>(`SELECT id, name FROM person`),
      about: (await db.findOneBy(SheetRow, { id: sheet }))?.asset ?? null,
    }));
    let projection: Projection | null = null;
    let trouble: string | null = null;
    if (text)
      try {
        projection = await this.folding.do(organisation, 'project', {
          ...{ sheet: text.sheet, people, about },
        });
      } catch (error) {
        this.log.error({ err: error, sheet }, 'a sheet can’t be folded');
        trouble =
          error instanceof TooMuchWork
            ? `The rules of “${text.sheet.body.title}” take too long to compute on this sheet.`
            : `The rules of “${text.sheet.body.title}” can’t be computed on this sheet.`;
      }
    await inOrganisation(this.data, organisation, async (db) => {
      if (projection && text) await this.keep(db, organisation, sheet, projection, text.count);
      else if (trouble) {
        await db.query(`UPDATE sheet SET trouble = $2 WHERE id = $1`, [sheet, trouble]);
        await announceSheets(db, organisation, [sheet]);
      }
      // Marked anew meanwhile: it is due again, and was announced as such.
      await db.query(`DELETE FROM sheet_due WHERE sheet_id = $1 AND mark = $2`, [sheet, mark]);
    });
  }

  private async keep(
    db: EntityManager,
    organisation: string,
    id: string,
    projection: Projection,
    count: number,
  ): Promise<void> {
    const { summary, readings, things, carried, said, record, approval } = projection;
    // A log only grows: whoever folded more of it knows better.
    const kept = await db.query<[unknown[], number]>(
      `UPDATE sheet SET summary = $2, carried = $3, record = $5, folded = $4, trouble = NULL
       WHERE id = $1 AND folded <= $4 RETURNING id`,
      [id, JSON.stringify(summary), JSON.stringify(carried), count, JSON.stringify(record)],
    );
    if (kept[1] === 0) return;
    const { job, template, asset } = await db.findOneOrFail(SheetRow, {
      where: { id },
      relations: { job: { site: true } },
    });
    await db.query(`DELETE FROM reading WHERE sheet_id = $1`, [id]);
    await db.query(
      `INSERT INTO reading (org_id, sheet_id, site_id, template_id, asset_id, key, at, value)
       SELECT $1, $2, $3, $4, $6, key, at, value
       FROM jsonb_to_recordset($5::jsonb) AS r (key text, at timestamptz, value double precision)`,
      [organisation, id, job.site.id, template, JSON.stringify(readings), asset],
    );
    await keepSaid(db, organisation, id, said);
    await registerFound(db, organisation, { sheet: id, site: job.site.id }, things);
    await restate(db, organisation, job.id);
    if (approval) await this.onApproval(db, organisation, id, approval, summary);
    await announce(db, organisation, [{ kind: 'sheet', ref: id, reach: job.id }]);
  }
}
