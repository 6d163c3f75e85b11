import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { notFound } from '../../refusals/refusal.ts';
import { BranchRow } from '../accounts/entities.ts';
import { tellOfSites, type SiteChange } from './tell.ts';

/** Throws a Refusal where a branch is named that there is not. */
export async function mustBeBranch(db: EntityManager, branch: string | undefined): Promise<void> {
  if (branch !== undefined && !(await db.existsBy(BranchRow, { id: branch })))
    throw notFound('This branch');
}

/** A place went over to another branch: its phones get all that stands there, the others hear it is no longer theirs. */
export async function tellOfMove(
  db: EntityManager,
  organisation: string,
  site: string,
  before: string,
): Promise<void> {
  const stands = await db.query<{ kind: SiteChange['kind']; ref: string }[]>(
    `SELECT 'asset' AS kind, id AS ref FROM asset WHERE site_id = $1
     UNION ALL SELECT 'tag', t.id FROM tag t JOIN asset a ON a.id = t.asset_id WHERE a.site_id = $1`,
    [site],
  );
  await tellOfSites(
    db,
    organisation,
    stands.map((each) => ({ ...each, site })),
  );
  await announce(db, organisation, [{ kind: 'site', ref: site, reach: before }]);
}
