import { Operation, type Receipt } from '@ant-trail/contract/sync';
import type { VisitEvent } from '@ant-trail/contract/planning';
import type { Entry } from '@ant-trail/core/log';
import { problemWithEntry, type SheetPlan } from '@ant-trail/core/sheet';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { asRefusal, notFound, wrongInput } from '../../http/problem.ts';
import type { Session } from '../../http/session.ts';
import { openAction } from '../actions/actions.ts';
import { SheetRow } from '../capture/entities.ts';
import { appendEntries } from '../capture/log.ts';
import { VisitEventRow, VisitRow } from '../planning/entities.ts';
import { restate } from '../planning/jobs.ts';
import { mailReport, type ReportQueue } from '../reports/queue.ts';
import { findVersions, planOf } from '../templates/versions.ts';

interface PushContext {
  readonly db: EntityManager;
  readonly session: Session;
  readonly reports: ReportQueue;
}

/**
 * Takes a batch of operations in one transaction. Every operation gets its receipt; one that is
 * refused does not keep the others out, and can be sent again once its cause is mended.
 */
export async function takePush(context: PushContext, raw: readonly unknown[]): Promise<Receipt[]> {
  const receipts: Receipt[] = [];
  const at = new Date().toISOString();
  const give = (id: string, outcome: Receipt['outcome'], reason?: string): void => {
    receipts.push({
      id,
      outcome,
      at,
      ...(reason === undefined ? {} : { reason }),
    });
  };

  const entries: Entry[] = [];
  for (const item of raw) {
    if (JSON.stringify(item).includes('\\u0000')) {
      give(idOf(item), 'refused', 'It holds a character that can’t be kept. Write it again.');
      continue;
    }
    const read = Operation.safeParse(item);
    if (!read.success) {
      give(idOf(item), 'refused', wrongInput(read.error).message);
      continue;
    }
    const { kind, body } = read.data;
    if (kind === 'entry') entries.push(body);
    else
      try {
        const outcome =
          kind === 'action'
            ? await openAction(context.db, context.session, body)
            : await takeVisitEvent(context.db, context.session, body);
        give(body.id, outcome);
      } catch (error) {
        const refusal = asRefusal(error);
        // A failure of ours is no refusal: the whole push fails and the phone tries again.
        if (refusal.status >= 500) throw error;
        give(body.id, 'refused', refusal.message);
      }
  }
  await takeEntries(context, entries, give);
  return receipts;
}

function idOf(item: unknown): string {
  const body = typeof item === 'object' && item !== null && 'body' in item ? item.body : null;
  return typeof body === 'object' && body !== null && 'id' in body ? String(body.id) : 'unknown';
}

type Give = (id: string, outcome: Receipt['outcome'], reason?: string) => void;

async function takeEntries(
  { db, session, reports }: PushContext,
  entries: readonly Entry[],
  give: Give,
): Promise<void> {
  if (entries.length === 0) return;
  const sheets = await sheetsFor(
    db,
    entries.map((entry) => entry.sheet),
  );
  const fit: Entry[] = [];
  for (const entry of entries) {
    const sheet = sheets.get(entry.sheet);
    const problem = sheet
      ? (problemWithAuthor(entry, session, sheet.person) ?? problemWithEntry(sheet.plan, entry))
      : 'This sheet is not here, or not yours to fill in.';
    if (problem) give(entry.id, 'refused', problem);
    else fit.push(entry);
  }
  if (fit.length === 0) return;
  const { fresh, clashing } = await appendEntries(db, session.organisation, fit);
  for (const { id } of fit)
    if (clashing.has(id))
      give(id, 'refused', 'The office already has something else under this number.');
    else give(id, fresh.has(id) ? 'received' : 'already had');
  for (const entry of fit)
    if (entry.kind === 'approve' && fresh.has(entry.id))
      await mailReport(reports, db, session.organisation, entry.sheet);
}

interface SheetForPush {
  readonly plan: SheetPlan;
  readonly person: string | null;
}

async function sheetsFor(
  db: EntityManager,
  ids: readonly string[],
): Promise<Map<string, SheetForPush>> {
  const rows = await db.find(SheetRow, {
    where: { id: In([...new Set(ids)]) },
    relations: { job: { visit: true } },
  });
  const versions = await findVersions(
    db,
    rows.map((row) => row.version),
  );
  const plans = new Map(versions.map((version) => [version.id, planOf(version)]));
  const sheets = new Map<string, SheetForPush>();
  for (const row of rows) {
    const plan = plans.get(row.version);
    if (plan) sheets.set(row.id, { plan, person: row.job.visit.person });
  }
  return sheets;
}

/** Who may write what: the assigned person answers; reviewers correct, return and approve. */
function problemWithAuthor(entry: Entry, session: Session, assigned: string | null): string | null {
  if (entry.by !== session.person) return 'This was recorded under another person’s name.';
  const reviewer = session.roles.some((role) => role === 'manager' || role === 'reviewer');
  const office = entry.kind === 'correct' || entry.kind === 'return' || entry.kind === 'approve';
  if (office && !reviewer) return 'Only a reviewer can do this.';
  if (entry.kind === 'approve' && assigned === session.person)
    return 'Somebody else has to approve what you did yourself.';
  if (office) return null;
  return assigned === session.person || reviewer
    ? null
    : 'This job is not yours any more. The office decides what to do with your answer.';
}

async function takeVisitEvent(
  db: EntityManager,
  session: Session,
  event: VisitEvent,
): Promise<Receipt['outcome']> {
  const visit = await db.findOne(VisitRow, {
    where: { id: event.visit, person: session.person },
    relations: { job: true },
  });
  if (!visit || event.by !== session.person) throw notFound('This visit');
  if (await db.existsBy(VisitEventRow, { id: event.id })) return 'already had';
  await db.insert(VisitEventRow, {
    id: event.id,
    org: session.organisation,
    visit: { id: visit.id },
    body: event,
  });
  await restate(db, session.organisation, visit.job.id);
  await announce(db, session.organisation, [{ kind: 'visit', ref: visit.id }]);
  return 'received';
}
