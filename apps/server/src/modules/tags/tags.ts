import { randomInt, randomUUID } from 'node:crypto';
import type { BoundTag, Tag } from '@ant-trail/contract/tags';
import { sayTagNumber, TAG_DIGITS, tagNumber } from '@ant-trail/core/tags';
import { In, type EntityManager } from 'typeorm';
import { oneAtATime } from '../../database/lock.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { AssetRow } from '../register/entities.ts';
import { noteEvents } from '../register/events.ts';
import { findAsset } from '../register/register.ts';
import { tellOfSites, type SiteChange } from '../sites/tell.ts';
import { TagRow } from './entities.ts';

export const tagOf = ({ id, number, asset, boundAt }: TagRow): Tag => ({
  ...{ id, number, asset },
  boundAt: boundAt?.toISOString() ?? null,
});

/** The labels on things of these sites. */
export async function tagsAt(db: EntityManager, sites: readonly string[]): Promise<Tag[]> {
  if (sites.length === 0) return [];
  const rows = await db
    .createQueryBuilder(TagRow, 't')
    .innerJoin(AssetRow, 'a', 'a.id = t.asset_id')
    .where('a.site_id IN (:...sites)', { sites })
    .getMany();
  return rows.map(tagOf);
}

const TRIES = 20;

/** Makes labels that are on nothing yet; their numbers are chance, so that none is guessed from another. */
export async function makeTags(db: EntityManager, org: string, count: number): Promise<TagRow[]> {
  const made: TagRow[] = [];
  for (let tries = 0; made.length < count && tries < TRIES; tries++) {
    const rows = Array.from({ length: count - made.length }, () => ({
      ...{ org, id: randomUUID(), asset: null, boundAt: null },
      number: tagNumber(randomInt(10 ** TAG_DIGITS)),
    }));
    const added = await db
      .createQueryBuilder()
      .insert()
      .into(TagRow)
      .values(rows)
      .orIgnore()
      .returning('id')
      .execute();
    const taken = new Set((added.raw as { id: string }[]).map(({ id }) => id));
    made.push(...rows.filter(({ id }) => taken.has(id)));
  }
  if (made.length < count)
    throw new Refusal(
      409,
      'no-numbers',
      'No free numbers were found for so many labels. Print fewer.',
    );
  return made;
}

/** The label of each thing, made and bound where it has none; in the order of the things. */
export async function tagsFor(
  db: EntityManager,
  org: string,
  by: string,
  assets: readonly string[],
): Promise<{ tag: TagRow; thing: AssetRow }[]> {
  const things = await db.findBy(AssetRow, { id: In([...assets]) });
  const known = new Map(things.map((thing) => [thing.id, thing]));
  const missing = assets.find((id) => !known.has(id));
  if (missing !== undefined) await findAsset(db, missing);
  const there = await db.findBy(TagRow, { asset: In([...assets]) });
  const tags = new Map(there.map((tag) => [tag.asset, tag]));
  const bare = [...known.values()].filter(({ id }) => !tags.has(id));
  const fresh = bare.length > 0 ? await makeTags(db, org, bare.length) : [];
  const at = new Date();
  for (const [index, tag] of fresh.entries()) {
    const thing = bare[index];
    if (!thing) continue;
    await db.update(TagRow, { id: tag.id }, { asset: thing.id, boundAt: at });
    tags.set(thing.id, { ...tag, asset: thing.id, boundAt: at });
  }
  await noteEvents(
    db,
    org,
    fresh.flatMap(({ number }, index) => {
      const thing = bare[index];
      const became = sayTagNumber(number);
      return thing ? [{ asset: thing.id, kind: 'label bound' as const, by, became, at }] : [];
    }),
  );
  await tellOfSites(
    db,
    org,
    bare.flatMap(({ id, site }) => {
      const tag = tags.get(id);
      return tag ? [{ kind: 'tag' as const, ref: tag.id, site }] : [];
    }),
  );
  return assets.flatMap((id) => {
    const [tag, thing] = [tags.get(id), known.get(id)];
    return tag && thing ? [{ tag, thing }] : [];
  });
}

/** What binding a label came to; the reason where it was refused. */
export type Binding = 'received' | 'already had' | { readonly refused: string };

/**
 * Puts a label on a thing. Refused where it, or the thing's own label, is not what whoever bound it was
 * asked about: somebody else moved it meanwhile, and only a person can say which is right.
 */
export async function bindTag(db: EntityManager, org: string, bound: BoundTag): Promise<Binding> {
  const { tag: id, asset, from, instead, by } = bound;
  // Two that bind the same label, or the same thing, wait for each other.
  for (const each of [id, asset].sort()) await oneAtATime(db, 'label', each);
  const thing = await db.findOneBy(AssetRow, { id: asset });
  if (!thing) return { refused: 'The office does not have this thing.' };
  const tag = await db.findOneBy(TagRow, { id });
  if (!tag)
    return { refused: 'This code is none of this organisation’s labels. Take another label.' };
  if (tag.asset === asset) return 'already had';
  const at = new Date(bound.at);
  const said = sayTagNumber(tag.number);
  if (tag.asset !== from) {
    const other = tag.asset ? await db.findOneBy(AssetRow, { id: tag.asset }) : null;
    return {
      refused: other
        ? `Label ${said} is on “${other.name}” by now. Scan it again, and say which is right.`
        : `Label ${said} was taken off by now. Scan it again.`,
    };
  }
  const own = await db.findOneBy(TagRow, { asset });
  if ((own?.id ?? null) !== instead)
    return {
      refused: `“${thing.name}” ${own ? `has label ${sayTagNumber(own.number)} by now` : 'lost its label meanwhile'}. Bind it again.`,
    };
  const changed: SiteChange[] = [{ kind: 'tag', ref: id, site: thing.site }];
  if (own) {
    await db.update(TagRow, { id: own.id }, { asset: null, boundAt: null });
    await noteEvents(db, org, [
      { asset, kind: 'label taken off', by, at, was: sayTagNumber(own.number) },
    ]);
    changed.push({ kind: 'tag', ref: own.id, site: thing.site });
  }
  if (tag.asset) {
    changed.push({ kind: 'tag', ref: id, site: (await findAsset(db, tag.asset)).site });
    await noteEvents(db, org, [{ asset: tag.asset, kind: 'label taken off', by, at, was: said }]);
  }
  await db.update(TagRow, { id }, { asset, boundAt: at });
  await noteEvents(db, org, [{ asset, kind: 'label bound', by, at, became: said }]);
  await tellOfSites(db, org, changed);
  return 'received';
}
