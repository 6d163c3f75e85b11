import { randomBytes } from 'node:crypto';
import type { AssetEvent } from '@ant-trail/contract/register';
import { timeOrderedId } from '@ant-trail/core/log';
import type { EntityManager } from 'typeorm';
import { insertAll } from '../../database/insert-all.ts';
import { AssetEventRow } from './entities.ts';

/** What happened to a thing, as it is noted. */
export interface Happened {
  readonly asset: string;
  readonly kind: AssetEvent['kind'];
  readonly by: string | null;
  readonly was?: string;
  readonly became?: string;
  readonly note?: string;
  /** When it happened, where that was before the office heard of it. */
  readonly at?: Date;
}

/** Notes what happened to things, so that their story can be told. */
export async function noteEvents(
  db: EntityManager,
  org: string,
  events: readonly Happened[],
): Promise<void> {
  await insertAll(
    db,
    'asset_event',
    events.map(({ asset, kind, by, was = '', became = '', note = '', at = new Date() }) => ({
      ...{ org_id: org, id: timeOrderedId(at.getTime(), randomBytes(16)), asset_id: asset },
      ...{ kind, at, by_id: by, was, became, note },
    })),
  );
}

export async function eventsOf(db: EntityManager, asset: string): Promise<AssetEvent[]> {
  const rows = await db.find(AssetEventRow, { where: { asset }, order: { id: 'DESC' } });
  return rows.map(({ id, kind, by, at, was, became, note }) => ({
    ...{ id, asset, kind, by, note, from: was, to: became },
    at: at.toISOString(),
  }));
}
