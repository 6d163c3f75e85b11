import { randomUUID } from 'node:crypto';
import type { Round, RoundChange, RoundDraft } from '@ant-trail/contract/rounds';
import { addDays } from '@ant-trail/core/calendar';
import { roundDays } from '@ant-trail/core/rounds/days';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Session } from '../../http/session.ts';
import type { Queue } from '../../queue/queue.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { mustBeColleagues, mustBeReader } from '../planning/jobs.ts';
import { AssetRow } from '../register/entities.ts';
import { SiteRow } from '../sites/entities.ts';
import { newestVersion } from '../templates/versions.ts';
import { RoundRow } from './entities.ts';
import { allHolidays } from './holidays.ts';
import { queueRound } from './queue.ts';
import { todayOf } from './today.ts';

/** So many days ahead are shown, within so many. */
export const DAYS_SHOWN = 8;
const DAYS_LOOKED = 800;

export const holidaySet = async (db: EntityManager): Promise<ReadonlySet<string>> =>
  new Set((await allHolidays(db)).map(({ day }) => day));

/** The next days of a rhythm. */
export const nextDays = (
  rhythm: Parameters<typeof roundDays>[0],
  holidays: ReadonlySet<string>,
  from: string,
): Round['next'] =>
  roundDays(rhythm, holidays, from, addDays(from, DAYS_LOOKED)).slice(0, DAYS_SHOWN);

export async function findRound(db: EntityManager, id: string): Promise<RoundRow> {
  const row = await db.findOneBy(RoundRow, { id });
  if (!row) throw notFound('This round');
  return row;
}

export async function roundOf(db: EntityManager, row: RoundRow): Promise<Round> {
  const { id, branch, name, start, person, instructions, recipients, reader, stops } = row;
  const { rule, begins, without, besides, onHolidays, edition, retired, trouble } = row;
  const next = retired ? [] : nextDays(row, await holidaySet(db), await todayOf(db));
  return {
    ...{ id, branch, name, start, person, instructions, recipients, reader, stops },
    ...{ rule, begins, without, besides, onHolidays, edition, retired, trouble, next },
  };
}

/** Throws a Refusal where a round names what is not there. */
async function mustBeThere(
  db: EntityManager,
  { stops, person, reader }: RoundDraft,
): Promise<void> {
  await mustBeColleagues(db, [person]);
  if (reader) await mustBeReader(db, reader);
  const sites = new Set(stops.map(({ site }) => site));
  if ((await db.countBy(SiteRow, { id: In([...sites]) })) < sites.size)
    throw notFound('A place of it');
  const wanted = stops.flatMap(({ asset }) => asset ?? []);
  const assets = await db.findBy(AssetRow, { id: In(wanted) });
  const siteOf = new Map(assets.map(({ id, site }) => [id, site]));
  if (stops.some(({ asset, site }) => asset !== null && siteOf.get(asset) !== site))
    throw new Refusal(422, 'other-site', 'A thing of a stop is not one of its place.');
  for (const template of new Set(stops.map((stop) => stop.template)))
    await newestVersion(db, template);
}

export async function addRound(
  db: EntityManager,
  queue: Queue,
  { organisation: org, branch, person: changedBy }: Session,
  draft: RoundDraft,
): Promise<Round> {
  await mustBeThere(db, draft);
  const id = randomUUID();
  await db.insert(RoundRow, { ...draft, id, org, branch, changedBy });
  return changed(db, queue, org, id);
}

export async function changeRound(
  db: EntityManager,
  queue: Queue,
  { organisation: org, person: changedBy }: Session,
  id: string,
  { after, ...draft }: RoundChange,
): Promise<Round> {
  await db.query(`SELECT 1 FROM round WHERE id = $1 FOR UPDATE`, [id]);
  const row = await findRound(db, id);
  if (row.edition !== after)
    throw new Refusal(
      409,
      'changed-meanwhile',
      'Somebody else changed this round meanwhile. Look at it before you change it.',
    );
  await mustBeThere(db, draft);
  await db.update(RoundRow, { id }, { ...draft, changedBy, edition: after + 1 });
  return changed(db, queue, org, id);
}

export async function retireRound(
  db: EntityManager,
  queue: Queue,
  { organisation: org, person: changedBy }: Session,
  id: string,
  retired: boolean,
): Promise<Round> {
  await findRound(db, id);
  await db.update(RoundRow, { id }, { retired, changedBy });
  return changed(db, queue, org, id);
}

async function changed(
  db: EntityManager,
  queue: Queue,
  organisation: string,
  round: string,
): Promise<Round> {
  await queueRound(queue, db, { organisation, round });
  await announce(db, organisation, [{ kind: 'round', ref: round, reach: null }]);
  return roundOf(db, await findRound(db, round));
}
