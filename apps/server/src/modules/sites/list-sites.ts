import type { Site, SitesQuery } from '@ant-trail/contract/sites';
import { In, type EntityManager } from 'typeorm';
import type { z } from 'zod';
import { inOrderOf, listPage, patternsOf } from '../../database/list-page.ts';
import { narrowBy } from '../fields/narrow-by.ts';
import { SiteRow } from './entities.ts';
import { siteOf } from './site.ts';

/** Places that are looked for, a page at a time. */
export async function listSites(
  db: EntityManager,
  asked: z.infer<typeof SitesQuery>,
): Promise<{ rows: Site[]; next: string | null; total: number | null }> {
  const query = db
    .createQueryBuilder(SiteRow, 's')
    .where('s.retired = :retired', { retired: asked.retired === 'yes' });
  for (const [at, pattern] of patternsOf(asked.text).entries())
    query.andWhere(
      `(s.words LIKE :word${at}${
        asked.within === 'name'
          ? ''
          : ` OR s.address ILIKE :word${at}
        OR s.hazards::text ILIKE :word${at}`
      })`,
      { [`word${at}`]: pattern },
    );
  if (asked.found) query.andWhere('s.found IS NOT NULL');
  narrowBy(query, 's.own_found', asked.where);
  const by = asked.order.endsWith('client') ? 's.client' : 's.name';
  const page = await listPage(
    db,
    query,
    {
      columns: [
        { sql: by, holds: 'text' },
        { sql: 's.id', holds: 'uuid' },
      ],
      descending: asked.order.startsWith('-'),
    },
    { ...asked, dear: Boolean(asked.text ?? asked.where?.length) },
  );
  const rows = await db.findBy(SiteRow, { id: In([...page.ids]) });
  return { ...page, rows: inOrderOf(page.ids, rows).map(siteOf) };
}
