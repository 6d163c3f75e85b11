import { setTimeout as pause } from 'node:timers/promises';
import { QueryFailedError, type DataSource, type EntityManager } from 'typeorm';
import { Turns } from '../turns/turns.ts';

/** Connections of the application; no organisation may hold all of them. */
export const CONNECTIONS = 16;
const CONNECTIONS_EACH = 10;
const MOST_WAITING = 400;

/** PostgreSQL broke off one of two transactions that were in each other's way. */
const IN_EACH_OTHERS_WAY = new Set(['40P01', '40001']);
const TRIES = 5;

const turns = new WeakMap<DataSource, Turns>();

function turnsAt(data: DataSource): Turns {
  const known = turns.get(data);
  if (known) return known;
  const made = new Turns({
    atOnce: CONNECTIONS,
    each: CONNECTIONS_EACH,
    waiting: MOST_WAITING,
  });
  turns.set(data, made);
  return made;
}

/**
 * Runs work in one transaction that can see and touch only the rows of one organisation. This is
 * the only way the application reaches tables. Work holds a connection for as long as it lasts, so
 * it waits for nothing but the database; it may run again when two were in each other's way.
 */
export function inOrganisation<Result>(
  data: DataSource,
  organisation: string,
  work: (db: EntityManager) => Promise<Result>,
): Promise<Result> {
  return turnsAt(data).take(organisation, async () => {
    for (let tries = 1; ; tries++)
      try {
        return await data.transaction(async (db) => {
          await db.query(`SELECT set_config('app.org_id', $1, true)`, [organisation]);
          return work(db);
        });
      } catch (error) {
        if (tries >= TRIES || !IN_EACH_OTHERS_WAY.has(codeOf(error) ?? '')) throw error;
        await pause(5 * tries + Math.random() * 20);
      }
  });
}

/** The code PostgreSQL gave a failure; null for any other kind of error. */
export function codeOf(error: unknown): string | null {
  if (!(error instanceof QueryFailedError)) return null;
  const { code } = error.driverError as { code?: unknown };
  return typeof code === 'string' ? code : null;
}
