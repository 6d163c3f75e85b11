import { randomUUID } from 'node:crypto';
import { UNSIGNED, type Job, type JobCard } from '@ant-trail/contract/planning';
import type { JobDraft } from '@ant-trail/contract/planning/desk';
import { PROGRAMME_PATH } from '@ant-trail/core/log';
import { problemWithEntry, type TemplateVersion } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { appendEntries } from '../../log/append.ts';
import { officeEntry } from '../../log/office-entry.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { ownAs } from '../fields/own-fields.ts';
import { SiteRow } from '../sites/entities.ts';
import { newestVersion, planOf } from '../templates/versions.ts';
import { JobRow, VisitRow } from './entities.ts';
import { announceJob, cardOf, findJob, mustBeColleagues, mustBeReader } from './jobs.ts';
import { addSheets, mustStandAt, type NewSheet } from './new-sheets.ts';

/** Whoever plans; the office itself does in somebody's name. */
export type Planner = Pick<Session, 'organisation' | 'branch' | 'person'>;

/** Makes a job with its visits and its sheets, under the templates' newest versions. */
export async function makeJob(
  db: EntityManager,
  session: Planner,
  draft: JobDraft,
  { round = null, follows = null }: Partial<Pick<Job, 'round' | 'follows'>> = {},
): Promise<JobCard> {
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
  const job = randomUUID();
  await db.insert(JobRow, {
    ...own,
    ...(await ownAs(db, 'job', draft.own ?? {})),
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
    letterWords: draft.words ?? {},
    expectedSheets: draft.expectedSheets ?? null,
    reader: draft.reader ?? null,
    ...{ round, follows, signing: mustSign ? UNSIGNED : null, takes: draft.takes ?? [] },
    decision: null,
    state: draft.person || others.length > 0 ? 'planned' : 'draft',
  });
  const { day, start, minutes } = draft;
  await db.insert(
    VisitRow,
    [draft.person, ...others].map((person, index) => ({
      ...{ ...own, id: randomUUID(), job: { id: job }, person, day, start, minutes },
      part: index === 0 ? ('leads' as const) : ('helps' as const),
    })),
  );
  await addSheets(db, session.organisation, job, sheets);
  const [first] = sheets;
  if (draft.programme && first)
    await nameProgramme(db, session, first.id, first.version, draft.programme);
  await announceJob(db, session.organisation, job);
  return cardOf(await findJob(db, { id: job }));
}

/** The office says in the sheet's own log which programme it is for. */
async function nameProgramme(
  db: EntityManager,
  session: Planner,
  sheet: string,
  version: TemplateVersion,
  programme: string,
): Promise<void> {
  const entry = officeEntry({
    ...{ sheet, path: PROGRAMME_PATH, kind: 'prepare', value: programme },
    ...{ seen: [], by: session.person },
  });
  const problem = problemWithEntry(planOf(version), entry);
  if (problem) throw new Refusal(422, 'no-such-programme', problem);
  await appendEntries(db, session.organisation, [entry]);
}
