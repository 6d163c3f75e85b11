import { randomUUID } from 'node:crypto';
import type {
  CatalogueImport,
  CatalogueSummary,
  KeptCatalogue,
} from '@ant-trail/contract/catalogues';
import { isOurList } from '@ant-trail/core/catalogues';
import { In, type EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { notFound, Refusal } from '../../refusals/refusal.ts';
import { CatalogueEntity } from './entities.ts';

const catalogueOf = (row: CatalogueEntity): KeptCatalogue => ({
  id: row.id,
  key: row.key,
  name: row.name,
  number: row.number,
  importedAt: row.importedAt.toISOString(),
  columns: [...row.columns],
  rows: [...row.rows],
});

export async function listCatalogues(db: EntityManager): Promise<CatalogueSummary[]> {
  const rows = await db.query<
    { id: string; key: string; name: string; number: number; imported_at: Date; rows: number }[]
  >(
    `SELECT id, key, name, number, imported_at, jsonb_array_length(rows) AS rows
     FROM catalogue ORDER BY name`,
  );
  return rows.map(({ imported_at: importedAt, ...row }) => ({
    ...row,
    importedAt: importedAt.toISOString(),
  }));
}

export async function findCatalogue(db: EntityManager, id: string): Promise<KeptCatalogue> {
  const row = await db.findOneBy(CatalogueEntity, { id });
  if (!row) throw notFound('This catalogue');
  return catalogueOf(row);
}

export const allCatalogues = async (db: EntityManager): Promise<KeptCatalogue[]> =>
  (await db.find(CatalogueEntity)).map(catalogueOf);

export const cataloguesWith = async (
  db: EntityManager,
  ids: readonly string[],
): Promise<KeptCatalogue[]> =>
  ids.length === 0 ? [] : (await db.findBy(CatalogueEntity, { id: In(ids) })).map(catalogueOf);

export const catalogueKeys = async (db: EntityManager): Promise<Set<string>> =>
  new Set((await db.find(CatalogueEntity, { select: { key: true } })).map(({ key }) => key));

/** Takes the place of a catalogue with all its rows, or makes it: all of that or nothing. */
export async function importCatalogue(
  db: EntityManager,
  organisation: string,
  { after, key, name, columns, rows }: CatalogueImport,
): Promise<CatalogueSummary> {
  if (isOurList(key))
    throw new Refusal(
      422,
      'name-taken',
      `A list that the office keeps anyway is called ${key}: choose another name.`,
    );
  refuseDoubles(
    columns.map((column) => column.key),
    (twice) => `Two columns are called ${twice}.`,
  );
  refuseDoubles(
    rows.map((row) => row.code.toLowerCase()),
    (twice) => `The code ${twice} stands twice.`,
  );
  const known = await db.findOne(CatalogueEntity, {
    where: { key },
    select: { id: true, number: true, name: true },
    lock: { mode: 'pessimistic_write' },
  });
  if ((known?.number ?? 0) !== after)
    throw new Refusal(
      409,
      'imported-meanwhile',
      known
        ? `“${known.name}” was imported anew while you worked on this. Look at it before importing over it.`
        : 'This catalogue is no longer there.',
    );
  const row = db.create(CatalogueEntity, {
    id: known?.id ?? randomUUID(),
    org: organisation,
    key,
    name,
    number: after + 1,
    importedAt: new Date(),
    columns,
    rows,
  });
  await db.save(row);
  await announce(db, organisation, [{ kind: 'catalogue', ref: row.id, reach: null }]);
  const { id, number, importedAt } = row;
  return { id, key, name, number, importedAt: importedAt.toISOString(), rows: rows.length };
}

function refuseDoubles(names: readonly string[], say: (twice: string) => string): void {
  const seen = new Set<string>();
  for (const name of names) {
    if (seen.has(name)) throw new Refusal(422, 'stands-twice', say(name));
    seen.add(name);
  }
}
