import { randomUUID } from 'node:crypto';
import type { AssetKind, AssetKindDraft } from '@ant-trail/contract/register';
import type { Facts } from '@ant-trail/core/fields';
import { byName, sameKind } from '@ant-trail/core/register';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { mustFit } from '../fields/must-fit.ts';
import { AssetKindRow } from './entities.ts';

const kindOf = ({ id, name, fields }: AssetKindRow): AssetKind => ({ id, name, fields });

export async function assetKinds(db: EntityManager): Promise<AssetKind[]> {
  return (await db.find(AssetKindRow)).map(kindOf).sort(byName);
}

const otherOfThisName = async (
  db: EntityManager,
  name: string,
  id: string | null,
): Promise<boolean> =>
  (await assetKinds(db)).some((each) => each.id !== id && sameKind(each.name, name));

async function saved(
  db: EntityManager,
  org: string,
  id: string,
  draft: AssetKindDraft,
): Promise<AssetKind> {
  if (await otherOfThisName(db, draft.name, id))
    throw new Refusal(409, 'there-already', `There is a kind called “${draft.name}” already.`);
  const row = { org, id, ...draft };
  await db.save(AssetKindRow, db.create(AssetKindRow, row));
  await announce(db, org, [{ kind: 'asset kind', ref: id, reach: null }]);
  return { id, ...draft };
}

export const addKind = (
  db: EntityManager,
  org: string,
  draft: AssetKindDraft,
): Promise<AssetKind> => saved(db, org, randomUUID(), draft);

export async function changeKind(
  db: EntityManager,
  org: string,
  id: string,
  draft: AssetKindDraft,
): Promise<AssetKind> {
  if (!(await db.existsBy(AssetKindRow, { id }))) throw notFound('This kind');
  return saved(db, org, id, draft);
}

/** Throws a Refusal where facts don't fit the fields of a kind. */
export async function mustFitKind(
  db: EntityManager,
  kind: string,
  facts: Facts,
  before: Facts = {},
): Promise<void> {
  const fields = (await assetKinds(db)).find((each) => sameKind(each.name, kind))?.fields ?? [];
  mustFit(fields, facts, before, 'facts');
}
