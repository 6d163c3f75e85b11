import type { AssetLine, AssetsQuery } from '@ant-trail/contract/register';
import { In, type EntityManager } from 'typeorm';
import { inOrderOf, listPage, patternsOf } from '../../database/list-page.ts';
import { AssetRow } from './entities.ts';
import { assetOf } from './register.ts';

/** Things of the register that are looked for, a page at a time. */
export async function listAssets(
  db: EntityManager,
  asked: AssetsQuery,
): Promise<{ rows: AssetLine[]; next: string | null; total: number | null }> {
  const query = db
    .createQueryBuilder(AssetRow, 'a')
    .where('a.retired = :retired', { retired: asked.retired === 'yes' });
  if (asked.site) query.andWhere('a.site_id = :site', { site: asked.site });
  if (asked.kind) query.andWhere('lower(a.kind) = lower(:kind)', { kind: asked.kind });
  if (asked.condition) query.andWhere('a.condition = :condition', { condition: asked.condition });
  if (asked.labelled)
    query.andWhere(
      `${asked.labelled === 'no' ? 'NOT ' : ''}EXISTS (SELECT FROM tag t WHERE t.asset_id = a.id)`,
    );
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(
      `(a.words LIKE :word${at} OR a.site_id IN (SELECT s.id FROM site s WHERE s.words LIKE :word${at})
        OR a.id IN (SELECT t.asset_id FROM tag t WHERE t.number LIKE :word${at}))`,
      { [`word${at}`]: pattern },
    );
  const by = asked.order.endsWith('kind') ? 'a.kind' : 'a.name';
  const page = await listPage(
    db,
    query,
    {
      columns: [
        { sql: by, holds: 'text' },
        { sql: 'a.id', holds: 'uuid' },
      ],
      descending: asked.order.startsWith('-'),
    },
    { ...asked, dear: Boolean(asked.text) },
  );
  const rows = await db.findBy(AssetRow, { id: In([...page.ids]) });
  const more = new Map((await linesOf(db, page.ids)).map(({ id, ...line }) => [id, line] as const));
  return {
    ...page,
    rows: inOrderOf(page.ids, rows).map((row) => ({
      ...assetOf(row),
      ...(more.get(row.id) ?? { siteName: '', way: [], number: null }),
    })),
  };
}

/** So deep goes nobody's register. */
const DEEPEST = 12;

/** What is shown of things besides their own: where they stand, and the number of their label. */
const linesOf = (
  db: EntityManager,
  ids: readonly string[],
): Promise<({ id: string } & Pick<AssetLine, 'siteName' | 'way' | 'number'>)[]> =>
  db.query(
    `WITH RECURSIVE way (id, within, names, depth) AS (
       SELECT id, within, ARRAY[]::text[], 0 FROM asset WHERE id = ANY($1)
       UNION ALL
       SELECT way.id, outer_thing.within, outer_thing.name || way.names, depth + 1
       FROM way JOIN asset outer_thing ON outer_thing.id = way.within WHERE depth < $2
     ), whole AS (SELECT DISTINCT ON (id) id, names FROM way ORDER BY id, depth DESC)
     SELECT a.id, s.name AS "siteName", whole.names AS way, t.number
     FROM asset a JOIN whole ON whole.id = a.id JOIN site s ON s.id = a.site_id
     LEFT JOIN tag t ON t.asset_id = a.id`,
    [[...ids], DEEPEST],
  );
