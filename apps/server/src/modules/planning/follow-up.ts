import type { JobDetails } from '@ant-trail/contract/planning/desk';
import { inZone } from '@ant-trail/core/calendar';
import { followUpDay, isFollowed } from '@ant-trail/core/planning';
import { sayOnly, type FollowUp, type Told } from '@ant-trail/core/sheet';
import { In, type EntityManager } from 'typeorm';
import { Refusal } from '../../refusals/refusal.ts';
import { OrganisationRow, PersonRow } from '../accounts/entities.ts';
import { newestVersion } from '../templates/versions.ts';
import { followedSheets } from './client-rules.ts';
import { fillInSheet } from './fill-in.ts';
import { FollowUpRow, SheetRow, type JobRow } from './entities.ts';
import { announceJob, findJob } from './jobs.ts';
import { makeJob } from './make-job.ts';
import { visitFor } from './visit-for.ts';

/**
 * Makes the job that follows an approved sheet by the rule of its template, or of the client: once, however often that
 * is asked, and dated from the day the sheet was really finished. What can't be planned says why.
 */
export async function makeFollowUp(
  db: EntityManager,
  organisation: string,
  { sheet: id, by, told }: { readonly sheet: string; readonly by: string; readonly told: Told },
  clock: Date,
): Promise<void> {
  const sheet = await db.findOne(SheetRow, { where: { id }, relations: { job: true } });
  // An approval can be taken back before anything came of it.
  if (sheet?.summary.stage !== 'approved') return;
  const job = await findJob(db, { id: sheet.job.id });
  const rule = (await followedSheets(db, job)).get(id)?.rule;
  if (!rule || !isFollowed(rule, { worst: sheet.summary.worst, said: told.said })) return;
  const { timeZone } = await db.findOneByOrFail(OrganisationRow, { id: organisation });
  const finished = (await finishedOn(db, [id])).get(id) ?? clock;
  const dayOf = (at: Date): string => inZone(at, timeZone).day;
  const day = followUpDay(rule, dayOf(finished), dayOf(clock));
  const fresh = await db
    .createQueryBuilder()
    .insert()
    .into(FollowUpRow)
    .values({ org: organisation, sheet: id, day, job: null, trouble: null })
    .orIgnore()
    .returning('sheet_id')
    .execute();
  if ((fresh.raw as unknown[]).length === 0) return;
  try {
    const next = await db.transaction((inner) =>
      planNext(inner, organisation, { job, sheet, rule, day, by, told }),
    );
    await db.update(FollowUpRow, { sheet: id }, { job: next });
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    await db.update(FollowUpRow, { sheet: id }, { trouble: error.message });
  }
  await announceJob(db, organisation, job.id);
}

interface Next {
  readonly job: JobRow;
  readonly sheet: SheetRow;
  readonly rule: FollowUp;
  readonly day: string;
  readonly by: string;
  readonly told: Told;
}

async function planNext(
  db: EntityManager,
  organisation: string,
  { job, sheet, rule, day, by, told }: Next,
): Promise<string> {
  const template = rule.template ?? sheet.template;
  const visit = visitFor(job, sheet);
  const same = rule.person === 'the same' ? visit.person : null;
  // Who did it may be gone by now: somebody else is found then.
  const isHere = same !== null && (await db.existsBy(PersonRow, { id: same, retired: false }));
  const version = await newestVersion(db, template);
  const { job: next, sheets } = await makeJob(
    db,
    { organisation, branch: job.branch, person: by },
    {
      ...{ site: job.site.id, template, asset: sheet.asset, day, person: isHere ? same : null },
      title: rule.title || version.body.title,
      ...{ instructions: '', windowFrom: null, windowTo: null },
      ...{ recipients: job.recipients, words: job.letterWords },
      ...{ start: visit.start, minutes: visit.minutes, reader: job.reader },
    },
    { follows: { job: job.id, title: job.title, day: job.day } },
  );
  // Another sheet goes on with the same matter; the same one again looks for itself, and is offered what was found.
  const [first] = sheets;
  if (first && template !== sheet.template)
    await fillInSheet(db, organisation, { sheet: first.id, version, told, by });
  return next.id;
}

/** When sheets were finished last. */
async function finishedOn(
  db: EntityManager,
  sheets: readonly string[],
): Promise<ReadonlyMap<string, Date>> {
  const rows = await db.query<{ sheet: string; at: string }[]>(
    `SELECT sheet_id AS sheet, max(body->>'at') AS at FROM entry
     WHERE sheet_id = ANY($1) AND body->>'kind' = 'finish' GROUP BY sheet_id`,
    [sheets],
  );
  return new Map(rows.map(({ sheet, at }) => [sheet, new Date(at)]));
}

/** What follows each sheet of a job, or will: it is shown before it happens. */
export async function nextOf(
  db: EntityManager,
  job: JobRow,
): Promise<ReadonlyMap<string, JobDetails['sheets'][number]['next']>> {
  const ruled = await followedSheets(db, job);
  if (ruled.size === 0) return new Map();
  const ids = [...ruled.keys()];
  const made = await db.findBy(FollowUpRow, { sheet: In(ids) });
  const finished = await finishedOn(db, ids);
  const { timeZone } = await db.findOneByOrFail(OrganisationRow, { id: job.org });
  const today = inZone(new Date(), timeZone).day;
  const titles = new Map<string, string>();
  for (const [sheet, { rule, body }] of ruled)
    titles.set(sheet, await titleOfNext(db, rule, body.title));
  return new Map(
    [...ruled].map(([sheet, { rule, body }]) => {
      const row = made.find((each) => each.sheet === sheet);
      const at = finished.get(sheet);
      return [
        sheet,
        {
          ...{ title: titles.get(sheet) ?? body.title, days: rule.days },
          ...{ onlyAmiss: rule.when === 'amiss', onlyWhere: sayOnly(body, rule) },
          day: row?.day ?? (at ? followUpDay(rule, inZone(at, timeZone).day, today) : null),
          ...{ job: row?.job ?? null, trouble: row?.trouble ?? null },
        },
      ];
    }),
  );
}

/** What the next job is called: as the rule says, else as its sheet. */
async function titleOfNext(db: EntityManager, { title, template }: FollowUp, own: string) {
  if (title) return title;
  return template === null ? own : (await newestVersion(db, template)).body.title;
}
