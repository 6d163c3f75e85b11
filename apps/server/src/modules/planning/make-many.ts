import type { ManyJobs } from '@ant-trail/contract/planning/desk';
import { estimateTravelMinutes } from '@ant-trail/core/planning';
import { legsOf } from '@ant-trail/core/rounds';
import { In, type EntityManager } from 'typeorm';
import type { Session } from '../../http/session.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { SiteRow } from '../sites/entities.ts';
import { makeJobs, planJob, type PlannedJob } from './make-job.ts';

const MINUTES_A_DAY = 1_440;

/**
 * Makes the same job at many places, all of them or none: one at each place, with a sheet for each
 * thing chosen there. For one person they stand one after the other; else all at the same hour.
 */
export async function makeMany(
  db: EntityManager,
  session: Session,
  { at, template, title, instructions, day, start, minutes, person }: ManyJobs,
): Promise<number> {
  const order = [...new Set(at.map(({ site }) => site))];
  // Things of one place together, however they were chosen; each once.
  const chosen = [
    ...new Map(at.map((each) => [`${each.site} ${each.asset ?? ''}`, each])).values(),
  ];
  const stops = chosen
    .sort((a, b) => order.indexOf(a.site) - order.indexOf(b.site))
    .map(({ site, asset }) => ({ site, asset, template, minutes }));
  const sites = await db.findBy(SiteRow, { id: In(order) });
  const known = new Map(sites.map((site) => [site.id, site]));
  const legs = legsOf(stops, start, (from, to) => {
    const [here, there] = [known.get(from), known.get(to)];
    return here && there ? estimateTravelMinutes(here, there) : 0;
  });
  const last = legs.at(-1);
  if (person !== null && last && last.start + last.minutes >= MINUTES_A_DAY)
    throw new Refusal(
      422,
      'more-than-a-day',
      'That is more than one person does in a day: choose fewer, or leave open who does it.',
    );
  const planned: PlannedJob[] = [];
  for (const leg of legs) {
    const [first, ...others] = leg.stops;
    if (!first) continue;
    planned.push(
      await planJob(db, session, {
        ...{ site: leg.site, template, asset: first.asset, title, instructions, day, person },
        moreSheets: others.map(({ asset }) => ({ template, asset, person: null })),
        ...{ start: person === null ? start : leg.start, minutes: leg.minutes },
        ...{ windowFrom: null, windowTo: null },
        recipients: known.get(leg.site)?.contacts.flatMap(({ email }) => email || []) ?? [],
      }),
    );
  }
  await makeJobs(db, session, planned);
  return legs.length;
}
