import type { Job, JobCard, JobSheet, Visit, VisitCard } from '@ant-trail/contract/planning';
import { may } from '@ant-trail/core/accounts';
import {
  isLeftOut,
  isUnsigned,
  jobState,
  SETTLED_STATES,
  visitsInOrder,
  visitStanding,
  type Part,
  type VisitStanding,
} from '@ant-trail/core/planning';
import { In, type EntityManager, type FindOptionsWhere } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { JobAtHand } from '../../phones/record.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { PersonRow } from '../accounts/entities.ts';
import { JobRow, VisitRow, type SheetRow } from './entities.ts';

const sheetOf = (row: SheetRow): JobSheet => ({
  id: row.id,
  version: row.version,
  template: row.template,
  title: row.title,
  asset: row.asset,
  person: row.person,
  expected: row.expected,
  leftOut: row.leftOut && {
    ...{ reason: row.leftOut.reason, by: row.leftOut.by, at: row.leftOut.at },
  },
});

export function jobOf(row: JobRow): Job {
  const sheets = inOrder(row.sheets);
  const [first] = sheets;
  if (!first) throw new Error(`job ${row.id} has no sheet`);
  return {
    id: row.id,
    site: row.site.id,
    template: row.template,
    title: row.title,
    instructions: row.instructions,
    day: row.day,
    windowFrom: row.windowFrom,
    windowTo: row.windowTo,
    recipients: row.recipients,
    state: row.state,
    sheet: { id: first.id, job: row.id, version: first.version },
    sheets: sheets.map(sheetOf),
    expectedSheets: row.expectedSheets,
    reader: row.reader,
    own: row.own,
    round: row.round,
    follows: row.follows,
    signing: row.signing,
    takes: row.takes,
  };
}

const inOrder = (sheets: readonly SheetRow[]): SheetRow[] =>
  [...sheets].sort((a, b) => a.place - b.place || (a.id < b.id ? -1 : 1));

function visitOf(row: VisitRow, job: string): Visit {
  return {
    id: row.id,
    job,
    person: row.person,
    day: row.day,
    start: row.start,
    minutes: row.minutes,
    part: row.part,
    insteadOf: row.insteadOf,
    events: row.events.map((event) => event.body).sort((a, b) => (a.id < b.id ? -1 : 1)),
  };
}

/** Everybody's visits, the one that counts first. */
export const visitsOf = (row: JobRow): Visit[] =>
  visitsInOrder(row.visits.map((visit) => visitOf(visit, row.id)));

const WHOLE_JOB = { site: true, sheets: true, visits: { events: true } } as const;

export async function findJobs(
  db: EntityManager,
  where: FindOptionsWhere<JobRow> | FindOptionsWhere<JobRow>[],
  take?: number,
): Promise<JobRow[]> {
  // Found first and then loaded whole: a condition on one visit must not hide the others.
  const found = await db.find(JobRow, {
    select: { id: true, day: true },
    where,
    order: { day: 'DESC', id: 'ASC' },
    ...(take === undefined ? {} : { take }),
  });
  return db.find(JobRow, {
    where: { id: In([...new Set(found.map(({ id }) => id))]) },
    relations: WHOLE_JOB,
    order: { day: 'DESC', id: 'ASC' },
  });
}

export async function findJob(db: EntityManager, where: FindOptionsWhere<JobRow>): Promise<JobRow> {
  const [row] = await findJobs(db, where, 1);
  if (!row) throw notFound('This job');
  return row;
}

/** Jobs as far as the records that go along with them need it. */
export async function jobsAtHand(
  db: EntityManager,
  ids: readonly string[],
): Promise<readonly JobAtHand[]> {
  const rows = await db.find(JobRow, {
    where: { id: In([...ids]) },
    relations: { site: true, sheets: true },
    order: { day: 'DESC', id: 'ASC', sheets: { place: 'ASC' } },
  });
  return rows.map(({ id, day, site, sheets }) => ({ id, day, site: site.id, sheets }));
}

export const cardOf = (row: JobRow): JobCard => ({
  job: jobOf(row),
  visits: visitsOf(row),
  siteName: row.site.name,
});

/** A card for each visit of a job, or for those of one day. */
export function visitCardsOf(row: JobRow, day?: string): VisitCard[] {
  const job = jobOf(row);
  return visitsOf(row)
    .filter((visit) => day === undefined || visit.day === day)
    .map((visit) => ({ job, visit, siteName: row.site.name }));
}

/** Throws a Refusal where nothing more is planned of a job. */
export function mustBeOpen(row: JobRow): void {
  if (SETTLED_STATES.includes(row.state))
    throw new Refusal(409, 'settled', `This job is ${row.state}; it can’t be planned again.`);
}

export async function mustBeColleagues(
  db: EntityManager,
  people: readonly (string | null)[],
): Promise<void> {
  const wanted = new Set(people.filter((person) => person !== null));
  if (wanted.size === 0) return;
  const found = await db.findBy(PersonRow, { id: In([...wanted]) });
  if (found.length < wanted.size) throw notFound('This person');
  const retired = found.find((person) => person.retired);
  if (retired)
    throw new Refusal(409, 'retired', `${retired.name} is retired: choose somebody else.`);
}

/** Throws a Refusal unless somebody may read and approve sheets. */
export async function mustBeReader(db: EntityManager, id: string): Promise<void> {
  await mustBeColleagues(db, [id]);
  const person = await db.findOneByOrFail(PersonRow, { id });
  if (!may(person.roles, 'review'))
    throw new Refusal(409, 'no-reader', `${person.name} reads no sheets: choose a reviewer.`);
}

/** Tells phones and desks that a job changed: each of its visits carries it. */
export async function announceJob(
  db: EntityManager,
  organisation: string,
  job: string,
): Promise<void> {
  const visits = await db.find(VisitRow, { select: { id: true }, where: { job: { id: job } } });
  await announce(
    db,
    organisation,
    visits.map(({ id }) => ({ kind: 'visit', ref: id, reach: job })),
  );
}

const standingsOf = ({ visits }: JobRow, who: Part): VisitStanding[] =>
  visits
    .filter(({ part }) => part === who)
    .map(({ person, events }) =>
      visitStanding(
        person,
        events.map(({ body }) => body),
      ),
    );

/** Computes a job's state anew from its visits and sheets; announces it when it changed. */
export async function restate(db: EntityManager, organisation: string, id: string): Promise<void> {
  const row = await findJob(db, { id });
  const toFillIn = row.sheets.filter(
    ({ summary, leftOut }) => !isLeftOut({ stage: summary.stage, leftOut }),
  );
  const state = jobState({
    decision: row.decision,
    leading: standingsOf(row, 'leads'),
    helping: standingsOf(row, 'helps'),
    stages: toFillIn.map(({ summary }) => summary.stage),
    leftOut: row.sheets.length - toFillIn.length,
    expected: row.expectedSheets,
    unsigned: isUnsigned(row.signing),
  });
  if (state === row.state) return;
  await db.update(JobRow, { id }, { state });
  await announceJob(db, organisation, id);
}
