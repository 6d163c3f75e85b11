import { randomUUID } from 'node:crypto';
import { UNSIGNED, type Job } from '@ant-trail/contract/planning';
import type { JobDraft } from '@ant-trail/contract/planning/desk';
import { PROGRAMME_PATH } from '@ant-trail/core/log';
import { problemWithEntry } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import { appendEntries } from '../../log/append.ts';
import { markDue } from '../../log/due.ts';
import { officeEntry } from '../../log/office-entry.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { ownAs } from '../fields/own-fields.ts';
import { SiteRow } from '../sites/entities.ts';
import { newestVersion, planOf } from '../templates/versions.ts';
import { JobRow, SheetRow, VisitRow } from './entities.ts';
import { mustBeColleagues, mustBeReader } from './jobs.ts';
import { mustStandAt, rowsOf, type NewSheet } from './new-sheets.ts';

/** Whoever plans; the office itself does in somebody's name. */
export type Planner = Pick<Session, 'organisation' | 'branch' | 'person'>;

/** A job with its visits, its sheets, and the programme the office names for the first of these. */
export type PlannedJob = Awaited<ReturnType<typeof planJob>>;

/** So many rows go in one statement: PostgreSQL takes 65,535 values. */
const ROWS_AT_ONCE = 1_000;

/**
 * A job with its visits and its sheets, under the templates' newest versions. Nothing is written: whoever plans many
 * finds out first what can't be.
 */
export async function planJob(
  db: EntityManager,
  session: Planner,
  draft: JobDraft,
  { round = null, follows = null }: Partial<Pick<Job, 'round' | 'follows'>> = {},
) {
  const { moreSheets = [], helpers = [] } = draft;
  const site = await db.findOneBy(SiteRow, { id: draft.site });
  if (!site) throw notFound('This site');
  if (site.retired)
    throw new Refusal(409, 'retired', `${site.name} is retired: nothing more is planned there.`);
  await mustBeColleagues(db, [draft.person, ...helpers, ...moreSheets.map(({ person }) => person)]);
  if (draft.reader) await mustBeReader(db, draft.reader);
  const planned = [
    { template: draft.template, asset: draft.asset ?? null, person: null },
    ...moreSheets,
  ];
  for (const { asset } of planned) await mustStandAt(db, draft.site, asset);
  const sheets: NewSheet[] = [];
  for (const each of planned)
    sheets.push({
      ...{ id: randomUUID(), asset: each.asset, person: each.person },
      ...{ version: await newestVersion(db, each.template), expected: true, addedBy: null },
    });
  // Whose sheet it is has to be there.
  const owners = moreSheets.flatMap(({ person }) => (person === null ? [] : [person]));
  const others = [...new Set([...helpers, ...owners])].filter((each) => each !== draft.person);
  const own = { org: session.organisation };
  const mustSign = draft.mustSign ?? sheets.some(({ version }) => version.body.signedOnSite);
  const job = {
    ...own,
    ...(await ownAs(db, 'job', draft.own ?? {})),
    id: randomUUID(),
    branch: session.branch,
    site: { id: draft.site },
    template: draft.template,
    title: draft.title,
    instructions: draft.instructions,
    day: draft.day,
    windowFrom: draft.windowFrom,
    windowTo: draft.windowTo,
    recipients: draft.recipients,
    letterWords: draft.words ?? {},
    expectedSheets: draft.expectedSheets ?? null,
    reader: draft.reader ?? null,
    ...{ round, follows, signing: mustSign ? UNSIGNED : null, takes: draft.takes ?? [] },
    decision: null,
    state: draft.person || others.length > 0 ? ('planned' as const) : ('draft' as const),
  };
  const { day, start, minutes } = draft;
  const visits = [draft.person, ...others].map((person, index) => ({
    ...{ ...own, id: randomUUID(), job: { id: job.id }, person, day, start, minutes },
    part: index === 0 ? ('leads' as const) : ('helps' as const),
  }));
  return { job, visits, sheets, programme: draft.programme ?? null };
}

/** Puts planned jobs down, and tells phones and desks. */
export async function makeJobs(
  db: EntityManager,
  session: Planner,
  planned: readonly PlannedJob[],
): Promise<void> {
  const org = session.organisation;
  for (const some of inLots(planned.map(({ job }) => job))) await db.insert(JobRow, some);
  for (const some of inLots(planned.flatMap(({ visits }) => visits)))
    await db.insert(VisitRow, some);
  for (const some of inLots(planned.flatMap(({ job, sheets }) => rowsOf(org, job.id, sheets))))
    await db.insert(SheetRow, some);
  await markDue(
    db,
    org,
    planned.flatMap(({ sheets }) => sheets.map(({ id }) => id)),
  );
  for (const { sheets, programme } of planned)
    if (programme && sheets[0]) await nameProgramme(db, session, sheets[0], programme);
  await announce(
    db,
    org,
    planned.flatMap(({ job, visits }) =>
      visits.map(({ id }) => ({ kind: 'visit' as const, ref: id, reach: job.id })),
    ),
  );
}

/** Makes one job at once. */
export async function makeJob(...asked: Parameters<typeof planJob>): Promise<PlannedJob> {
  const [db, session] = asked;
  const planned = await planJob(...asked);
  await makeJobs(db, session, [planned]);
  return planned;
}

const inLots = <Row>(rows: readonly Row[]): Row[][] =>
  Array.from({ length: Math.ceil(rows.length / ROWS_AT_ONCE) }, (_, lot) =>
    rows.slice(lot * ROWS_AT_ONCE, (lot + 1) * ROWS_AT_ONCE),
  );

/** The office says in the sheet's own log which programme it is for. */
async function nameProgramme(
  db: EntityManager,
  session: Planner,
  { id, version }: NewSheet,
  programme: string,
): Promise<void> {
  const entry = officeEntry({
    ...{ sheet: id, path: PROGRAMME_PATH, kind: 'prepare', value: programme },
    ...{ seen: [], by: session.person },
  });
  const problem = problemWithEntry(planOf(version), entry);
  if (problem) throw new Refusal(422, 'no-such-programme', problem);
  await appendEntries(db, session.organisation, [entry]);
}
