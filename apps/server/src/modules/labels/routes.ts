import { LabelOrder } from '@ant-trail/contract/labels';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { FileAnswer, longRoute, type Route } from '../../http/route.ts';
import { OrganisationRow } from '../accounts/entities.ts';
import type { AssetRow } from '../register/entities.ts';
import { SiteRow } from '../sites/entities.ts';
import { makeTags, tagsFor } from '../tags/tags.ts';
import { drawLabels, type PrintedLabel } from './label-sheets.ts';

export const labelRoutes: Route[] = [
  longRoute({
    method: 'post',
    path: '/api/labels',
    allowed: 'keep places',
    summary: 'Labels to print, as a PDF; new ones are made for what has none',
    body: LabelOrder,
    handle: async ({ within, body, session }) => {
      const { labels, organisation } = await within(async (db) => ({
        labels: await labelsFor(db, session.organisation, session.person, body),
        organisation: (await db.findOneByOrFail(OrganisationRow, {})).name,
      }));
      const pdf = await drawLabels(labels, body, organisation);
      return new FileAnswer('application/pdf', pdf, 'Labels.pdf');
    },
  }),
];

async function labelsFor(
  db: EntityManager,
  org: string,
  by: string,
  { loose, assets = [] }: LabelOrder,
): Promise<PrintedLabel[]> {
  if (loose !== undefined) {
    const made = await makeTags(db, org, loose);
    await announce(
      db,
      org,
      made.map(({ id }) => ({ kind: 'tag', ref: id, reach: null })),
    );
    return made.map(({ id, number }) => ({ id, number, name: '', place: '' }));
  }
  const printed = await tagsFor(db, org, by, [...new Set(assets)]);
  const names = await placeNames(
    db,
    printed.map(({ thing }) => thing),
  );
  return printed.map(({ tag: { id, number }, thing }) => ({
    ...{ id, number, name: thing.name },
    place: names.get(thing.site) ?? '',
  }));
}

async function placeNames(
  db: EntityManager,
  things: readonly AssetRow[],
): Promise<ReadonlyMap<string, string>> {
  const rows = await db
    .createQueryBuilder(SiteRow, 's')
    .select(['s.id', 's.name'])
    .where('s.id = ANY(:ids)', { ids: [...new Set(things.map(({ site }) => site))] })
    .getMany();
  return new Map(rows.map(({ id, name }) => [id, name]));
}
