import type { Series } from '@ant-trail/contract/capture';
import type { EntityManager } from 'typeorm';
import type { SheetAt } from './earlier.ts';

/** How many earlier values are offered at the point of entry. */
const VALUES_OFFERED = 12;

/** Earlier readings at a site, by question, oldest first; one sheet's own readings left out. */
export async function earlierReadings(
  db: EntityManager,
  { id, site, template, asset }: Omit<SheetAt, 'job' | 'day'>,
): Promise<Series[]> {
  const rows = await db.query<{ key: string; at: Date; value: number }[]>(
    `SELECT key, at, value FROM (
       SELECT key, at, value, row_number() OVER (PARTITION BY key ORDER BY at DESC) AS age
       FROM reading WHERE site_id = $1 AND template_id = $2 AND sheet_id <> $3
         AND asset_id IS NOT DISTINCT FROM $5::uuid
         AND at < (SELECT coalesce(max(at), 'infinity') FROM reading WHERE sheet_id = $3)
     ) newest WHERE age <= $4 ORDER BY at`,
    [site, template, id, VALUES_OFFERED, asset],
  );
  const series = new Map<string, Series>();
  for (const { key, at, value } of rows) {
    const known = series.get(key) ?? {
      ...{ site, template, key, points: [] },
      ...(asset === null ? {} : { asset }),
    };
    known.points.push({ at: at.toISOString(), value });
    series.set(key, known);
  }
  return [...series.values()];
}
