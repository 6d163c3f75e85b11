import { randomBytes, randomUUID } from 'node:crypto';
import type { JobCard, JobDraft } from '@ant-trail/contract/planning';
import { PROGRAMME_PATH, timeOrderedId, type Entry } from '@ant-trail/core/log';
import { EMPTY_SUMMARY, problemWithEntry, type TemplateVersion } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { notFound, Refusal } from '../../http/problem.ts';
import type { Session } from '../../http/session.ts';
import { markDue } from '../capture/due.ts';
import { SheetRow } from '../capture/entities.ts';
import { appendEntries } from '../capture/log.ts';
import { SiteRow } from '../sites/entities.ts';
import { newestVersion, planOf } from '../templates/versions.ts';
import { JobRow, VisitRow } from './entities.ts';
import { cardOf, findJob, mustBeColleague } from './jobs.ts';

/** Makes a job with its visit and its sheet, under the template's newest version. */
export async function makeJob(
  db: EntityManager,
  session: Session,
  draft: JobDraft,
): Promise<JobCard> {
  const site = await db.findOneBy(SiteRow, { id: draft.site });
  if (!site) throw notFound('This site');
  await mustBeColleague(db, draft.person);
  const version = await newestVersion(db, draft.template);
  const own = { org: session.organisation };
  const job = randomUUID();
  await db.insert(JobRow, {
    ...own,
    id: job,
    branch: session.branch,
    site: { id: draft.site },
    template: draft.template,
    title: draft.title,
    instructions: draft.instructions,
    day: draft.day,
    windowFrom: draft.windowFrom,
    windowTo: draft.windowTo,
    recipients: draft.recipients,
    cancelled: false,
    state: draft.person ? 'planned' : 'draft',
  });
  const visit = randomUUID();
  await db.insert(VisitRow, {
    ...own,
    id: visit,
    job: { id: job },
    person: draft.person,
    day: draft.day,
    start: draft.start,
    minutes: draft.minutes,
  });
  const sheet = randomUUID();
  await db.insert(SheetRow, {
    ...own,
    id: sheet,
    job: { id: job },
    version: version.id,
    summary: EMPTY_SUMMARY,
  });
  await markDue(db, session.organisation, [sheet]);
  if (draft.programme) await nameProgramme(db, session, sheet, version, draft.programme);
  await announce(db, session.organisation, [{ kind: 'visit', ref: visit }]);
  return cardOf(await findJob(db, { id: job }));
}

/** The office says in the sheet's own log which programme it is for. */
async function nameProgramme(
  db: EntityManager,
  session: Session,
  sheet: string,
  version: TemplateVersion,
  programme: string,
): Promise<void> {
  const entry: Entry = {
    id: timeOrderedId(Date.now(), randomBytes(16)),
    sheet,
    path: PROGRAMME_PATH,
    kind: 'answer',
    value: programme,
    seen: [],
    by: session.person,
    // The office's own entries are no chain of one device: each stands alone.
    device: randomUUID(),
    at: new Date().toISOString(),
    prev: null,
  };
  const problem = problemWithEntry(planOf(version), entry);
  if (problem) throw new Refusal(422, 'no-such-programme', problem);
  await appendEntries(db, session.organisation, [entry]);
}
