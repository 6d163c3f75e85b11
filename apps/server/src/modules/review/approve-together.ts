import type { ApprovedTogether } from '@ant-trail/contract/review';
import { coverOf, STAGE_PATH, type Entry } from '@ant-trail/core/log';
import { needOfEyes } from '@ant-trail/core/review';
import { In, type EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { EntryRow } from '../../log/entities.ts';
import { officeEntry } from '../../log/office-entry.ts';
import { takeEntries } from '../capture/take-entries.ts';
import type { JobRow, SheetRow } from '../planning/entities.ts';
import { findJobs } from '../planning/jobs.ts';
import { titleOfSheet } from '../planning/title-of-sheet.ts';

/** So many sheets are passed in one step; the others stay for the next. */
const AT_ONCE = 500;

interface Waiting {
  readonly job: JobRow;
  readonly sheet: SheetRow;
}

/**
 * Passes the work of several jobs in one step: every finished sheet in which all is as it should be is
 * approved, as if each had been read; what needs eyes stays where it is, and is named.
 */
export async function approveTogether(
  db: EntityManager,
  session: Session,
  ids: readonly string[],
): Promise<ApprovedTogether> {
  // Whoever else moves one of them waits.
  await db.query(`SELECT 1 FROM job WHERE id = ANY ($1) ORDER BY id FOR UPDATE`, [ids]);
  const jobs = await findJobs(db, { id: In([...ids]) });
  const finished = jobs
    .filter(({ decision }) => decision !== 'cancelled')
    .flatMap((job) => job.sheets.map((sheet): Waiting => ({ job, sheet })))
    .filter(({ sheet }) => sheet.summary.stage === 'finished');
  const waiting = finished.slice(0, AT_ONCE);
  const due = await stillDue(db, waiting);
  const words = new Map(waiting.map((each) => [each.sheet.id, whyNot(each, session, due)]));
  const fit = waiting.filter(({ sheet }) => words.get(sheet.id) === null);
  const entries = await approvalsOf(db, session, fit);
  const taken = await takeEntries({ db, session, clockOffMs: 0 }, entries);
  entries.forEach(({ sheet }, at) => {
    const word = taken[at];
    if (typeof word === 'object') words.set(sheet, word.refused);
  });
  const left = waiting.flatMap(({ job, sheet }) => {
    const why = words.get(sheet.id);
    return why
      ? [{ sheet: sheet.id, title: titleOfSheet(job, sheet), siteName: job.site.name, why }]
      : [];
  });
  return {
    approved: waiting.length - left.length,
    left,
    more: finished.length - waiting.length,
  };
}

function whyNot(
  { job, sheet }: Waiting,
  { person }: Session,
  due: ReadonlySet<string>,
): string | null {
  if (due.has(sheet.id)) return 'Something has just come in. Try again in a moment.';
  if (job.reader !== null && job.reader !== person) return 'Somebody else is to read it.';
  return needOfEyes(sheet.summary) > 0 || sheet.summary.looseEnds > 0
    ? 'It needs a look of its own.'
    : null;
}

/** Sheets of which the office has not computed the last yet. */
async function stillDue(
  db: EntityManager,
  waiting: readonly Waiting[],
): Promise<ReadonlySet<string>> {
  const rows = await db.query<{ id: string }[]>(
    `SELECT sheet_id AS id FROM sheet_due WHERE sheet_id = ANY ($1)`,
    [waiting.map(({ sheet }) => sheet.id)],
  );
  return new Set(rows.map(({ id }) => id));
}

/** An approval of each, of all that is in it now. */
async function approvalsOf(
  db: EntityManager,
  { person }: Session,
  waiting: readonly Waiting[],
): Promise<Entry[]> {
  const rows = await db.findBy(EntryRow, { sheet: In(waiting.map(({ sheet }) => sheet.id)) });
  return waiting.map(({ sheet }) => {
    const own = rows.filter((row) => row.sheet === sheet.id).map(({ body }) => body);
    return officeEntry({
      ...{ sheet: sheet.id, path: STAGE_PATH, kind: 'approve', value: coverOf(own), by: person },
      seen: own.filter(({ path }) => path === STAGE_PATH).map(({ id }) => id),
    });
  });
}
