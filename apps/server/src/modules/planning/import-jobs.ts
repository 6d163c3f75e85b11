import { JobDraft } from '@ant-trail/contract/planning/desk';
import { may } from '@ant-trail/core/accounts';
import { readMinute } from '@ant-trail/core/calendar';
import type { EntityManager } from 'typeorm';
import {
  column,
  onceOnly,
  plain,
  readDraft,
  sayThere,
  type ImportLine,
  type ImportTarget,
  type LineReader,
} from '../../tables/import-target.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { PersonRow } from '../accounts/entities.ts';
import { siteNamed } from '../sites/site-named.ts';
import { newestVersions } from '../templates/versions.ts';
import { makeJobs, planJob, type PlannedJob } from './make-job.ts';

/** So many jobs are made in one go: each has sheets and visits of its own. */
const MOST_JOBS = 2_000;
/** How long a job is planned for where the file does not say. */
const USUAL_MINUTES = 45;
const USUAL_START = 8 * 60;

/** Jobs by the file: each at a place that is there, with a sheet that is there. */
export const jobImport: ImportTarget<JobDraft> = {
  kind: 'jobs',
  allowed: 'plan',
  columns: () =>
    Promise.resolve([
      column('place', 'Place', ['site', 'site name', 'location'], {
        ...{ required: true, help: 'The name of a place, or the client’s number for it' },
      }),
      column('sheet', 'Sheet', ['template', 'form', 'checklist', 'kind of job'], {
        ...{ required: true, help: 'The title of a sheet' },
      }),
      column('day', 'Day', ['date', 'due', 'due date', 'planned'], {
        ...{ required: true, help: 'As 2031-04-08 or 8.4.2031' },
      }),
      column('start', 'Start', ['time', 'start time', 'from'], { help: 'As 08:30' }),
      column('minutes', 'Minutes', ['duration', 'length', 'estimate']),
      column('person', 'Person', ['technician', 'who', 'assigned to', 'e-mail'], {
        help: 'A name, or an e-mail address',
      }),
      column('title', 'Job title', ['title', 'job', 'name', 'subject']),
      column('instructions', 'Instructions', ['description', 'notes', 'what to do']),
      column('earliest', 'Not before', ['window from', 'earliest']),
      column('latest', 'Not after', ['window to', 'latest']),
    ]),
  begin,
  keep: async (db, session, drafts) => {
    if (drafts.length > MOST_JOBS)
      throw new Refusal(
        422,
        'too-many',
        `At most ${MOST_JOBS} jobs are taken in at once. Take a part of the file.`,
      );
    const planned: PlannedJob[] = [];
    for (const draft of drafts) planned.push(await planJob(db, session, draft));
    await makeJobs(db, session, planned);
  },
};

async function begin(db: EntityManager): Promise<LineReader<JobDraft>> {
  const siteOf = await siteNamed(db);
  const versions = await newestVersions(db);
  const sheets = onceOnly(versions.map(({ template, body }) => [plain(body.title), template]));
  const people = (await db.findBy(PersonRow, { retired: false })).filter(({ roles }) =>
    may(roles, 'walk'),
  );
  const byName = onceOnly(people.map(({ id, name }) => [plain(name), id]));
  const byMail = onceOnly(people.map(({ id, email }) => [plain(email), id]));
  const there = await jobsThere(db);
  return (line, number) => {
    const found = siteOf(line);
    if ('why' in found) return found;
    const title = line.get('sheet') ?? '';
    const template = sheets.get(plain(title));
    if (!template)
      return {
        why:
          template === null
            ? `Several sheets are called “${title}”.`
            : `There is no sheet called “${title}”.`,
      };
    const who = line.get('person') ?? '';
    const person = who ? (byName.get(plain(who)) ?? byMail.get(plain(who))) : null;
    if (person === undefined) return { why: `Nobody who has a trail is called “${who}”.` };
    const times = timesOf(line);
    if ('why' in times) return times;
    const read = readDraft(
      JobDraft,
      {
        ...{ site: found.site, template, person, ...times },
        title: line.get('title') ?? title,
        ...{ instructions: line.get('instructions') ?? '', recipients: [] },
      },
      { day: 'Day', minutes: 'Minutes', title: 'Job title', windowTo: 'Not after' },
    );
    if ('why' in read) return read;
    const { draft } = read;
    const key = keyOf(draft);
    const before = there.get(key);
    if (before !== undefined) return { why: sayThere('Such a job is planned for then', before) };
    there.set(key, number);
    const said = [draft.title, line.get('place'), draft.day, who].filter(Boolean);
    return { draft, said: said.join(', ') };
  };
}

const keyOf = ({
  site,
  template,
  day,
  start,
  title,
}: Pick<JobDraft, 'site' | 'template' | 'day' | 'start' | 'title'>): string =>
  [site, template, day, start, plain(title)].join('\n');

/** What is planned already from yesterday on: the same file taken in twice makes nothing twice. */
async function jobsThere(db: EntityManager): Promise<Map<string, number>> {
  const rows = await db.query<Parameters<typeof keyOf>[0][]>(
    `SELECT j.site_id AS site, j.template_id AS template, j.day::text AS day, v.start, j.title
     FROM job j JOIN visit v ON v.job_id = j.id
     WHERE j.day >= current_date - 1 AND j.state <> 'cancelled'`,
  );
  return new Map(rows.map((row) => [keyOf(row), 0]));
}

type Times = Pick<JobDraft, 'start' | 'minutes' | 'windowFrom' | 'windowTo'> & {
  readonly day: string;
};

function timesOf(line: ImportLine): Times | { readonly why: string } {
  const day = dayIn(line.get('day') ?? '');
  if (day === null) return { why: `Day: “${line.get('day') ?? ''}” is no day such as 2031-04-08.` };
  const unread: string[] = [];
  const minuteOf = (key: string, label: string): number | null => {
    const text = line.get(key);
    if (text === undefined) return null;
    const minute = readMinute(text);
    if (minute === null) unread.push(`${label}: “${text}” is no time such as 08:30.`);
    return minute;
  };
  const start = minuteOf('start', 'Start');
  const [from, to] = [minuteOf('earliest', 'Not before'), minuteOf('latest', 'Not after')];
  const length = line.get('minutes');
  if (length !== undefined && !/^\d{1,4}$/.test(length))
    unread.push(`Minutes: “${length}” is no number of minutes.`);
  const [why] = unread;
  if (why !== undefined) return { why };
  return {
    ...{ day, start: start ?? from ?? USUAL_START },
    ...{ minutes: length === undefined ? USUAL_MINUTES : Number(length) },
    ...{ windowFrom: from, windowTo: to },
  };
}

/** A day as files have it; with strokes it could be either way round, and is not guessed. */
function dayIn(text: string): string | null {
  const point = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text);
  if (point) return `${point[3]}-${point[2]?.padStart(2, '0')}-${point[1]?.padStart(2, '0')}`;
  return /^\d{4}-\d\d-\d\d/.exec(text)?.[0] ?? null;
}
