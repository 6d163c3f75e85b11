import type { EarlierAnswers, Series } from '@ant-trail/contract/capture';
import { In, MoreThan, type EntityManager, type FindOptionsWhere } from 'typeorm';
import { EntryRow } from '../../log/entities.ts';
import { phoneRecords, type JobAtHand } from '../../phones/record.ts';
import { earlierAnswers, type SheetAt } from './earlier.ts';
import { earlierReadings } from './series.ts';

async function entries(db: EntityManager, where: FindOptionsWhere<EntryRow>) {
  const rows = await db.find(EntryRow, { where, order: { id: 'ASC' } });
  return rows.map(({ id, body, receivedAt }) => ({
    id,
    body: { body, receivedAt: receivedAt.toISOString() },
  }));
}

/** The log of one's sheets. */
export const entryRecords = phoneRecords({
  kind: 'entry',
  withJobs: (db, jobs) =>
    entries(db, { sheet: In(jobs.flatMap(({ sheets }) => sheets.map(({ id }) => id))) }),
  after: {
    sheet: (db, sheets, since) =>
      entries(db, { sheet: In([...sheets]), tx: MoreThan(String(since)) }),
  },
});

function* sheetsOf(jobs: readonly JobAtHand[]): Generator<{ at: SheetAt; where: string }> {
  for (const { id: job, site, day, sheets } of jobs)
    for (const { id, template, asset } of sheets)
      yield {
        at: { id, site, template, asset, job, day },
        where: `${site} ${template}${asset === null ? '' : ` ${asset}`}`,
      };
}

/** Earlier readings of the same template at the same place or thing. */
export const seriesRecords = phoneRecords({
  kind: 'series',
  withJobs: async (db, jobs) => {
    const found: { id: string; body: Series }[] = [];
    for (const { at, where } of sheetsOf(jobs))
      for (const each of await earlierReadings(db, at))
        found.push({ id: `${where} ${each.key}`, body: each });
    return found;
  },
});

/** What the visit before offers. */
export const earlierRecords = phoneRecords({
  kind: 'earlier',
  withJobs: async (db, jobs) => {
    const found: { id: string; body: EarlierAnswers }[] = [];
    for (const { at, where } of sheetsOf(jobs)) {
      const offered = await earlierAnswers(db, at);
      if (offered) found.push({ id: where, body: offered });
    }
    return found;
  },
});
