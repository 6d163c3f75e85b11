import type { PublishedTemplate, StarterTemplate } from '@ant-trail/contract/templates';
import { missingCatalogues, type Catalogue } from '@ant-trail/core/catalogues';
import { questionsOf, type TemplateBody } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import { notFound } from '../../refusals/refusal.ts';
import { catalogueKeys, importCatalogue } from '../catalogues/catalogues.ts';
import { publish } from './publish.ts';
import { newestVersions } from './versions.ts';

/** What stands ready for an organisation that begins, wherever it comes from. */
export interface Ready {
  readonly starters: readonly {
    readonly key: string;
    readonly trade: string;
    readonly body: TemplateBody;
  }[];
  /** What some of them look things up in. */
  readonly catalogues: readonly Catalogue[];
}

/** Templates that stand ready, and whether one of that title is there already. */
export async function startersOf(
  db: EntityManager,
  { starters }: Ready,
): Promise<StarterTemplate[]> {
  const titles = new Set((await newestVersions(db)).map(({ body }) => body.title));
  return starters.map(({ key, trade, body }) => ({
    ...{ key, trade, title: body.title, questions: questionsOf(body).length },
    there: titles.has(body.title),
  }));
}

/** Takes one over as the organisation's own, with the catalogues it looks things up in. */
export async function takeOver(
  db: EntityManager,
  organisation: string,
  { starters, catalogues }: Ready,
  wanted: string,
): Promise<PublishedTemplate> {
  const starter = starters.find(({ key }) => key === wanted);
  if (!starter) throw notFound('This template');
  const { body } = starter;
  const missing = missingCatalogues(body, await catalogueKeys(db));
  const looked = new Set(
    questionsOf(body).flatMap((question) =>
      question.kind === 'lookup' && missing.some((each) => each.question === question.key)
        ? [question.catalogue]
        : [],
    ),
  );
  for (const { key, name, columns, rows } of catalogues)
    if (looked.has(key))
      await importCatalogue(db, organisation, {
        ...{ key, name, after: 0 },
        columns: [...columns],
        rows: rows.map((row) => ({ ...row, fields: { ...row.fields } })),
      });
  return publish(db, organisation, { after: 0, body }, []);
}
