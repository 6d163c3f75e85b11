import type { Told } from '@ant-trail/contract/messages';
import { In, type EntityManager } from 'typeorm';
import { byId, phoneRecords } from '../../phones/record.ts';
import { VisitRow } from '../planning/entities.ts';
import { OnTheWayRow } from './entities.ts';

/** When somebody expected to be there. */
export const thereAt = ({ body }: Pick<OnTheWayRow, 'body'>): Date =>
  new Date(Date.parse(body.at) + body.minutes * 60_000);

const toldOf = (row: OnTheWayRow): Told => ({
  ...{ id: row.id, visit: row.visit, to: row.body.to.name, at: row.body.at },
  ...{ there: thereAt(row).toISOString(), outcome: row.outcome },
});

async function toldAt(db: EntityManager, jobs: readonly string[]): Promise<Told[]> {
  const visits = await db.find(VisitRow, {
    select: { id: true },
    where: { job: { id: In([...jobs]) } },
  });
  const rows = await db.findBy(OnTheWayRow, { visit: In(visits.map(({ id }) => id)) });
  return rows.map(toldOf);
}

/** Who was told that somebody is on the way. */
export const toldRecords = phoneRecords({
  kind: 'told',
  withJobs: async (db, jobs) =>
    byId(
      await toldAt(
        db,
        jobs.map(({ id }) => id),
      ),
    ),
});
