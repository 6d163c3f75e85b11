import { In, type EntityManager } from 'typeorm';
import { announce, type Change, type FeedKind } from '../../database/feed.ts';
import { SiteRow } from './entities.ts';

/** Something of a place that changed. */
export interface SiteChange {
  readonly kind: Extract<FeedKind, 'site' | 'site note' | 'asset' | 'tag' | 'arrival'>;
  readonly ref: string;
  /** Id of the place. */
  readonly site: string;
}

/**
 * Tells the phones of the place's branch, which have all its places, and those whose work leads to it,
 * wherever they belong.
 */
export async function tellOfSites(
  db: EntityManager,
  organisation: string,
  changes: readonly SiteChange[],
): Promise<void> {
  const ids = [...new Set(changes.map(({ site }) => site))];
  const sites = ids.length === 0 ? [] : await db.findBy(SiteRow, { id: In(ids) });
  const branches = new Map(sites.map(({ id, branch }) => [id, branch]));
  await announce(
    db,
    organisation,
    changes.flatMap(({ kind, ref, site }): Change[] => {
      const branch = branches.get(site);
      return [
        { kind, ref, reach: site },
        ...(branch === undefined ? [] : [{ kind, ref, reach: branch }]),
      ];
    }),
  );
}
