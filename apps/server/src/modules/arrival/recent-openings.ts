import type { RecentOpenings } from '@ant-trail/contract/arrival';
import { In, MoreThan, type EntityManager } from 'typeorm';
import type { z } from 'zod';
import { SiteRow } from '../sites/entities.ts';
import { ArrivalOpeningRow } from './entities.ts';

const HOURS = 24;
const MOST = 30;

/** What somebody should look at: details opened within a day against nothing but words. */
export async function recentOpenings(
  db: EntityManager,
): Promise<z.infer<typeof RecentOpenings>['openings']> {
  const rows = await db.find(ArrivalOpeningRow, {
    where: {
      how: In(['reason', 'number']),
      at: MoreThan(new Date(Date.now() - HOURS * 3_600_000)),
    },
    order: { at: 'DESC' },
    take: MOST,
  });
  const sites = await db.findBy(SiteRow, { id: In(rows.map(({ site }) => site)) });
  const names = new Map(sites.map(({ id, name }) => [id, name]));
  return rows.map(({ id, person, at, how, reason, site }) => ({
    ...{ id, by: person, how, reason, site, siteName: names.get(site) ?? '' },
    at: at.toISOString(),
  }));
}
