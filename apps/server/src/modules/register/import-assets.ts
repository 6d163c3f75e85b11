import { randomUUID } from 'node:crypto';
import { Name } from '@ant-trail/contract/common';
import { AssetDraft, Condition } from '@ant-trail/contract/register';
import type { Facts } from '@ant-trail/core/fields';
import { sameKind } from '@ant-trail/core/register';
import type { EntityManager } from 'typeorm';
import { insertAll } from '../../database/insert-all.ts';
import { oneAtATime } from '../../database/lock.ts';
import type { Session } from '../../http/session.ts';
import {
  column,
  plain,
  readDraft,
  sayThere,
  type ImportTarget,
  type LineReader,
} from '../../tables/import-target.ts';
import { factsOf, FIELD } from '../fields/read-facts.ts';
import { siteNamed } from '../sites/site-named.ts';
import { AssetRow } from './entities.ts';
import { assetKinds } from './kinds.ts';
import { noteEvents } from './events.ts';
import { tellOfAssets } from './register.ts';

/** A row to be put into the register: an area that a line names, or a thing. */
interface NewAsset {
  readonly id: string;
  readonly site_id: string;
  readonly kind: string;
  readonly name: string;
  readonly area: boolean;
  readonly within: string | null;
  readonly condition: string;
  readonly facts: Facts;
  readonly purposes: readonly string[];
}

/** Things by the file: each at a place that is there, in areas that are made where they are not. */
export const assetImport: ImportTarget<readonly NewAsset[]> = {
  kind: 'things',
  allowed: 'keep places',
  columns: async (db) => [
    column('name', 'Thing', ['name', 'asset', 'asset name', 'label', 'designation'], {
      required: true,
    }),
    column('kind', 'Kind', ['type', 'asset type', 'category', 'class'], { required: true }),
    column('place', 'Place', ['site', 'site name', 'location'], {
      ...{ required: true, help: 'The name of a place, or the client’s number for it' },
    }),
    column('within', 'Area', ['room', 'floor', 'in', 'stands in'], {
      help: 'One in another as “House / Kitchen”; what is not there is made',
    }),
    column('condition', 'Condition', ['state'], {
      help: `One of ${Condition.options.join(', ')}`,
    }),
    ...(await fieldColumns(db)),
  ],
  begin,
  keep: async (db, { organisation: org, person }, lines) => {
    const rows = lines.flat();
    await insertAll(
      db,
      'asset',
      rows.map((row) => ({ org_id: org, ...row, retired: false })),
    );
    await noteEvents(
      db,
      org,
      rows.map(({ id, name }) => ({ asset: id, kind: 'entered', by: person, became: name })),
    );
    await tellOfAssets(
      db,
      org,
      rows.map(({ id, site_id: site }) => ({ id, site })),
    );
  },
};

/** Fields of the kinds, those with the same name as one column. */
async function fieldColumns(db: EntityManager) {
  const kinds = await assetKinds(db);
  const kindsOf = new Map<string, { label: string; names: string[] }>();
  for (const { name, fields } of kinds)
    for (const { label } of fields) {
      const known = kindsOf.get(plain(label)) ?? { label, names: [] };
      known.names.push(name);
      kindsOf.set(plain(label), known);
    }
  return [...kindsOf].map(([key, { label, names }]) =>
    column(`${FIELD}${key}`, label, [], { help: `Known of each ${names.join(', ')}` }),
  );
}

async function begin(
  db: EntityManager,
  { organisation }: Session,
): Promise<LineReader<readonly NewAsset[]>> {
  // The areas things come into could be moved away meanwhile.
  await oneAtATime(db, 'register', organisation);
  const kinds = await assetKinds(db);
  const siteOf = await siteNamed(db);
  const there = await db.find(AssetRow, {
    select: { id: true, site: true, name: true, area: true, within: true, kind: true },
  });
  const keyOf = (site: string, within: string | null, name: string, kind: string): string =>
    [site, within ?? '', plain(name), plain(kind)].join('\n');
  const areas = new Map(
    there
      .filter(({ area }) => area)
      .map(({ id, site, within, name }) => [keyOf(site, within, name, ''), id]),
  );
  const things = new Map(
    there
      .filter(({ area }) => !area)
      .map(({ site, within, name, kind }) => [keyOf(site, within, name, kind), 0]),
  );
  return (line, number) => {
    const found = siteOf(line);
    if ('why' in found) return found;
    const { site } = found;
    const place = line.get('place') ?? '';
    const kind = line.get('kind') ?? '';
    const condition = Condition.safeParse(plain(line.get('condition') ?? '') || 'unknown');
    if (!condition.success) return { why: `Condition: one of ${Condition.options.join(', ')}.` };
    const fields = kinds.find(({ name }) => sameKind(name, kind))?.fields ?? [];
    const facts = factsOf(fields, line);
    if (typeof facts === 'string') return { why: facts };
    const read = readDraft(
      AssetDraft,
      { kind, name: line.get('name') ?? '', facts },
      { kind: 'Kind', name: 'Thing' },
    );
    if ('why' in read) return read;
    const { draft } = read;
    const way = (line.get('within') ?? '').split('/').flatMap((part) => part.trim() || []);
    const unnamed = way.find((part) => !Name.safeParse(part).success);
    if (unnamed !== undefined) return { why: 'Area: a name has at most 200 characters.' };
    let within: string | null = null;
    const fresh: NewAsset[] = [];
    for (const part of way) {
      const key = keyOf(site, within, part, '');
      const known: string | undefined = areas.get(key);
      if (known === undefined) fresh.push(areaIn(site, within, part));
      within = known ?? fresh.at(-1)?.id ?? null;
    }
    const before = things.get(keyOf(site, within, draft.name, draft.kind));
    if (before !== undefined) return { why: sayThere(`“${draft.name}” stands there`, before) };
    // Nothing is refused any more: a refused line leaves no area behind.
    for (const area of fresh) areas.set(keyOf(site, area.within, area.name, ''), area.id);
    things.set(keyOf(site, within, draft.name, draft.kind), number);
    const thing: NewAsset = {
      ...{ id: randomUUID(), site_id: site, kind: draft.kind, name: draft.name, area: false },
      ...{ within, condition: condition.data, facts, purposes: [] },
    };
    return {
      draft: [...fresh, thing],
      said: [`${draft.name} (${draft.kind})`, place, way.join(' / ')].filter(Boolean).join(', '),
    };
  };
}

/** An area that a line names and that is not there yet. */
const areaIn = (site: string, within: string | null, name: string): NewAsset => ({
  ...{ id: randomUUID(), site_id: site, kind: 'area', name, area: true, within },
  ...{ condition: 'unknown', facts: {}, purposes: [] },
});
