import type { DataSource, EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { inOrganisation } from '../../database/tenancy.ts';
import { asRefusal } from '../../http/problem.ts';
import type { OnApproval } from '../capture/projector.ts';
import type { MediaFiles } from '../media/files.ts';
import { queueFollowUp } from '../planning/follow-up-queue.ts';
import { titleOfSheet } from '../planning/title-of-sheet.ts';
import { findJob } from '../planning/jobs.ts';
import { lettersOf } from './letters-of.ts';
import type { Report, ReportMaker } from './maker.ts';
import { sendLetter } from '../../mail/letters.ts';
import type { Queue } from '../../queue/queue.ts';
import { wentOut } from './went-out.ts';
import { queueReport, type ReportTask } from './queue.ts';

/**
 * Keeps an approval as it was given, once: its answers now, its report as soon as that is drawn.
 * Neither is computed again, by whatever engine comes later.
 */
export const keepApprovals =
  (queue: Queue): OnApproval =>
  async (db, organisation, sheet, { entry, answers }, summary) => {
    const added = await db.query<unknown[]>(
      `INSERT INTO approval (org_id, sheet_id, entry_id, approved_at, approved_by, summary, answers)
       VALUES ($1, $2, $3, $4, $5, $6, $7) ON CONFLICT DO NOTHING RETURNING entry_id`,
      [
        organisation,
        sheet,
        entry.id,
        entry.at,
        entry.by,
        JSON.stringify(summary),
        JSON.stringify(answers),
      ],
    );
    if (added.length === 0) return;
    await queueReport(queue, db, { organisation, sheet, approval: entry.id });
    await queueFollowUp(queue, db, { organisation, sheet, by: entry.by });
  };

/** A consent as it was kept with an approval. */
interface KeptConsent {
  readonly path: string;
  readonly name: string;
  readonly sha256: string;
}

interface ApprovalRow {
  readonly report: string | null;
  readonly report_name: string | null;
  readonly consents: readonly KeptConsent[];
  readonly mailed_at: Date | null;
  readonly mailed_to: readonly string[];
}

async function findApproval(
  db: EntityManager,
  { sheet, approval }: Pick<ReportTask, 'sheet' | 'approval'>,
): Promise<ApprovalRow | null> {
  const [row] = await db.query<ApprovalRow[]>(
    `SELECT report, report_name, consents, mailed_at, mailed_to FROM approval WHERE sheet_id = $1 AND entry_id = $2`,
    [sheet, approval],
  );
  return row ?? null;
}

export interface ReportParts {
  readonly data: DataSource;
  readonly files: MediaFiles;
  readonly reports: ReportMaker;
  readonly mailPort: number;
}

/** Draws the report of an approval, keeps it, and mails it; each of that once, however often it is tried. */
export async function reportApproval(
  { data, files, reports, mailPort }: ReportParts,
  task: ReportTask,
): Promise<void> {
  const { organisation, sheet, approval } = task;
  const within = <Result>(work: (db: EntityManager) => Promise<Result>): Promise<Result> =>
    inOrganisation(data, organisation, work);
  const known = await within((db) => findApproval(db, task));
  if (!known || known.mailed_at) return;
  try {
    const kept = known.report && (await files.read(organisation, known.report));
    const report =
      kept && known.report_name
        ? { name: known.report_name, bytes: kept }
        : await reports.make(organisation, sheet, within, approval);
    const consents = kept ? [...known.consents] : [];
    const signed = kept
      ? await readConsents(files, organisation, consents)
      : await reports.consents(organisation, sheet, within, approval);
    if (!kept) {
      const sha256 = await files.keep(organisation, report.bytes);
      for (const { path, name, bytes } of signed)
        consents.push({ path, name, sha256: await files.keep(organisation, bytes) });
      await within((db) =>
        db.query(
          `UPDATE approval SET report = $3, report_name = $4, consents = $5::jsonb
           WHERE sheet_id = $1 AND entry_id = $2`,
          [sheet, approval, sha256, report.name, JSON.stringify(consents)],
        ),
      );
    }
    const { job, site, title, isAnother } = await within(async (db) => {
      const row = await findJob(db, { sheets: { id: sheet } });
      const own = row.sheets.find(({ id }) => id === sheet);
      const isAnother = [...(await wentOut(db, sheet))].some((id) => id < approval);
      return { job: row, site: row.site, title: titleOfSheet(row, own), isAnother };
    });
    for (const { to, words } of lettersOf(job, known.mailed_to)) {
      await sendLetter(mailPort, {
        ...{ organisation, to },
        subject: `${site.name}: ${title}`,
        text: [
          words,
          `The report of “${title}” at ${site.name} is attached.`,
          isAnother
            ? 'It takes the place of the one you have: its first page says what was changed.'
            : '',
        ]
          .filter(Boolean)
          .join('\n\n'),
        attachments: [report, ...signed].map(({ name, bytes }) => ({
          ...{ name, bytes, type: 'application/pdf' },
        })),
      });
      // Whoever has it does not get it again where the next letter fails.
      await within((db) =>
        db.query(
          `UPDATE approval SET mailed_to = mailed_to || $3::jsonb WHERE sheet_id = $1 AND entry_id = $2`,
          [sheet, approval, JSON.stringify(to)],
        ),
      );
    }
    await within((db) =>
      db.query(
        `UPDATE approval SET mailed_at = now(), trouble = NULL WHERE sheet_id = $1 AND entry_id = $2`,
        [sheet, approval],
      ),
    );
  } catch (error) {
    await within(async (db) => {
      await db.query(`UPDATE approval SET trouble = $3 WHERE sheet_id = $1 AND entry_id = $2`, [
        sheet,
        approval,
        asRefusal(error).message,
      ]);
      await announce(db, organisation, [{ kind: 'mail', ref: sheet }]);
    });
    throw error;
  }
}

async function readConsents(
  files: MediaFiles,
  organisation: string,
  consents: readonly KeptConsent[],
): Promise<(Report & { readonly path: string })[]> {
  const read: (Report & { readonly path: string })[] = [];
  for (const { path, name, sha256 } of consents) {
    const bytes = await files.read(organisation, sha256);
    if (bytes) read.push({ path, name, bytes });
  }
  return read;
}

/** A consent as it was kept with the approval a sheet stands at; null where none is. */
export async function keptConsent(
  db: EntityManager,
  sheet: string,
  path: string,
): Promise<KeptConsent | null> {
  const [row] = await db.query<{ consents: readonly KeptConsent[] }[]>(
    `SELECT a.consents FROM approval a JOIN sheet s ON s.id = a.sheet_id
     WHERE a.sheet_id = $1 AND a.report IS NOT NULL AND s.summary->>'stage' = 'approved'
     ORDER BY a.entry_id DESC LIMIT 1`,
    [sheet],
  );
  return row?.consents.find((each) => each.path === path) ?? null;
}

/** The report kept of the approval a sheet stands at; null where it stands at none, or has none yet. */
export async function keptReport(
  db: EntityManager,
  sheet: string,
): Promise<{ readonly sha256: string; readonly name: string } | null> {
  const [row] = await db.query<{ report: string; report_name: string }[]>(
    `SELECT a.report, a.report_name FROM approval a JOIN sheet s ON s.id = a.sheet_id
     WHERE a.sheet_id = $1 AND a.report IS NOT NULL AND s.summary->>'stage' = 'approved'
     ORDER BY a.entry_id DESC LIMIT 1`,
    [sheet],
  );
  return row ? { sha256: row.report, name: row.report_name } : null;
}
