import type { SuitingAnswer, SuitingQuery } from '@ant-trail/contract/planning/desk';
import { demandsTogether, may, type Demands } from '@ant-trail/core/accounts';
import { shortfalls, visitsInOrder, type Shortfall, type WorkTime } from '@ant-trail/core/planning';
import { In, type EntityManager } from 'typeorm';
import { Refusal } from '../../refusals/refusal.ts';
import { PersonRow } from '../accounts/entities.ts';
import { WHOLE_PERSON } from '../accounts/people.ts';
import { clientKey, clientsNamed } from '../sites/clients-named.ts';
import { SiteRow } from '../sites/entities.ts';
import { findVersions, newestVersion } from '../templates/versions.ts';
import type { JobRow } from './entities.ts';
import { findJobs, visitsOf } from './jobs.ts';

export interface Work {
  readonly demands: Demands;
  readonly time: WorkTime;
}

/** What speaks against giving work to people, as far as the office knows. */
export async function whoSuits(db: EntityManager, asked: SuitingQuery): Promise<SuitingAnswer> {
  const works = asked.jobs
    ? [...(await worksOf(db, await findJobs(db, { id: In(asked.jobs) }), asked)).values()]
    : [await newWork(db, asked)];
  const people = await db.find(PersonRow, {
    where: { retired: false, ...(asked.people ? { id: In(asked.people) } : {}) },
    relations: WHOLE_PERSON,
    order: { name: 'ASC', id: 'ASC' },
  });
  return {
    people: people
      .filter(({ roles }) => asked.people !== undefined || may(roles, 'walk'))
      .map((person) => ({
        id: person.id,
        lacks: eachOnce(works.flatMap(({ demands, time }) => shortfalls(person, demands, time))),
      })),
  };
}

const eachOnce = (lacks: readonly Shortfall[]): Shortfall[] => [
  ...new Map(lacks.map((lack) => [JSON.stringify(lack), lack])).values(),
];

async function newWork(db: EntityManager, asked: SuitingQuery): Promise<Work> {
  const { day, start, minutes } = asked;
  if (day === undefined || start === undefined || minutes === undefined)
    throw new Refusal(400, 'wrong-input', 'Give the day, the start and the length of the work.');
  const sheets: Demands[] = [];
  for (const template of new Set(asked.templates))
    sheets.push((await newestVersion(db, template)).body.demands ?? {});
  const site = asked.site ? await db.findOneBy(SiteRow, { id: asked.site }) : null;
  return {
    time: { day, start, minutes },
    demands: demandsTogether([
      ...sheets,
      ...[...(await clientsNamed(db, site ? [site.client] : [])).values()].map(
        (each) => each.demands,
      ),
    ]),
  };
}

/** Work that is planned, by job: what its own versions demand, at its own time or the one that is thought of. */
export async function worksOf(
  db: EntityManager,
  jobs: readonly JobRow[],
  asked: Pick<SuitingQuery, 'day' | 'start' | 'minutes'>,
): Promise<Map<string, Work>> {
  const versions = new Map(
    (
      await findVersions(
        db,
        jobs.flatMap(({ sheets }) => sheets.map(({ version }) => version)),
      )
    ).map(({ id, body }) => [id, body.demands]),
  );
  const ofClients = await clientsNamed(
    db,
    jobs.map(({ site }) => site.client),
  );
  const works = jobs.flatMap((job): [string, Work][] => {
    const [visit] = visitsInOrder(visitsOf(job));
    const day = asked.day ?? visit?.day ?? job.day;
    const start = asked.start ?? visit?.start;
    if (start === undefined) return [];
    const known = [
      ...job.sheets.map(({ version }) => versions.get(version)),
      ofClients.get(clientKey(job.site.client))?.demands,
    ];
    return [
      [
        job.id,
        {
          time: { day, start, minutes: asked.minutes ?? visit?.minutes ?? 0 },
          demands: demandsTogether(known.flatMap((each) => each ?? [])),
        },
      ],
    ];
  });
  return new Map(works);
}
