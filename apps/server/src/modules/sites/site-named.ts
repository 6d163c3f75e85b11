import type { EntityManager } from 'typeorm';
import { onceOnly, plain, type ImportLine } from '../../tables/import-target.ts';
import { SiteRow } from './entities.ts';

export type SiteNamed = { readonly site: string } | { readonly why: string };

/** Reads which place in use a line of a file names, by its name or the client's number for it. */
export async function siteNamed(db: EntityManager): Promise<(line: ImportLine) => SiteNamed> {
  const sites = await db.find(SiteRow, {
    select: { id: true, name: true, number: true },
    where: { retired: false },
  });
  const byName = onceOnly(sites.map(({ id, name }) => [plain(name), id]));
  const byNumber = onceOnly(
    sites.flatMap(({ id, number }) => (number.trim() ? [[plain(number), id] as const] : [])),
  );
  return (line) => {
    const place = line.get('place') ?? '';
    if (!place) return { why: 'It names no place.' };
    const named = byName.get(plain(place));
    const site = named === undefined ? byNumber.get(plain(place)) : named;
    if (site === null)
      return {
        why:
          named === null
            ? `Several places are called “${place}”: give the client’s number for it.`
            : `Several places have number ${place}: give the name.`,
      };
    return site === undefined ? { why: `There is no place called “${place}”.` } : { site };
  };
}
