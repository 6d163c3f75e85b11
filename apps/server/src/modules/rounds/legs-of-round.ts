import type { RoundStop } from '@ant-trail/contract/rounds';
import { estimateTravelMinutes } from '@ant-trail/core/planning';
import { legsOf, type RoundLeg } from '@ant-trail/core/rounds';
import { In, type EntityManager } from 'typeorm';
import { SiteRow } from '../sites/entities.ts';
import type { RoundRow } from './entities.ts';

/** A round as the visits it is walked in, with the ways between its places. */
export async function legsOfRound(
  db: EntityManager,
  { stops, start }: RoundRow,
): Promise<RoundLeg<RoundStop>[]> {
  const sites = await db.findBy(SiteRow, { id: In(stops.map(({ site }) => site)) });
  const known = new Map(sites.map((site) => [site.id, site]));
  return legsOf(stops, start, (from, to) => {
    const [here, there] = [known.get(from), known.get(to)];
    return here && there ? estimateTravelMinutes(here, there) : 0;
  });
}
