import { randomUUID } from 'node:crypto';
import type { Publication } from '@ant-trail/contract/templates';
import { missingCatalogues } from '@ant-trail/core/catalogues';
import type { TemplateBody, TemplateProblem, TemplateVersion } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import { announce } from '../../database/feed.ts';
import type { Folding } from '../../log/folding.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { TooMuchWork } from '../../turns/worker-line.ts';
import { catalogueKeys } from '../catalogues/catalogues.ts';
import { TemplateVersionRow } from './entities.ts';
import { newestVersion, versionOf } from './versions.ts';

/** All that is wrong with a template, found in a worker: checking it may cost as much as it does. */
export async function checkTemplate(
  folding: Folding,
  organisation: string,
  body: TemplateBody,
): Promise<readonly TemplateProblem[]> {
  try {
    return await folding.do(organisation, 'check', { body });
  } catch (error) {
    if (error instanceof TooMuchWork)
      return [{ question: null, message: 'Its rules take too long to compute.' }];
    throw error;
  }
}

/**
 * Publishes a version. Sheets that were begun keep theirs; new work begins under this one. Refused
 * in words when the template has problems, or when somebody else published in between.
 */
export async function publish(
  db: EntityManager,
  organisation: string,
  { template, after, body }: Publication,
  problems: readonly TemplateProblem[],
): Promise<TemplateVersion> {
  const [problem, ...more] = [...problems, ...missingCatalogues(body, await catalogueKeys(db))];
  if (problem)
    throw new Refusal(
      422,
      'template-problem',
      more.length > 0 ? `${problem.message} And ${more.length} more.` : problem.message,
    );
  const id = template ?? randomUUID();
  if (template) {
    await db.query(`SELECT id FROM template WHERE id = $1 FOR UPDATE`, [id]);
    const newest = await newestVersion(db, id);
    if (newest.number !== after)
      throw new Refusal(
        409,
        'published-meanwhile',
        `Version ${newest.number} was published while you worked on this. Look at it before publishing over it.`,
      );
    await db.query(`UPDATE template SET title = $2 WHERE id = $1`, [id, body.title]);
  } else
    await db.query(`INSERT INTO template (id, org_id, title) VALUES ($1, $2, $3)`, [
      id,
      organisation,
      body.title,
    ]);
  const row = db.create(TemplateVersionRow, {
    id: randomUUID(),
    org: organisation,
    template: id,
    number: after + 1,
    publishedAt: new Date(),
    body,
  });
  await db.insert(TemplateVersionRow, row);
  await announce(db, organisation, [{ kind: 'template', ref: id, reach: null }]);
  return versionOf(row);
}
