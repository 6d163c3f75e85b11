import { type TemplateVersion, type SheetPlan, planSheet } from '@ant-trail/core/sheet';
import { In, type EntityManager } from 'typeorm';
import { notFound } from '../../refusals/refusal.ts';
import { TemplateVersionRow } from './entities.ts';

export function versionOf(row: TemplateVersionRow): TemplateVersion {
  const { id, template, number, publishedAt, body } = row;
  return { id, template, number, publishedAt: publishedAt.toISOString(), body };
}

/** Plans are pure and versions never change, so a compiled plan may be kept for any organisation. */
const plans = new Map<string, SheetPlan>();
const PLANS_KEPT = 200;

export function planOf(version: TemplateVersion): SheetPlan {
  const known = plans.get(version.id);
  if (known) return known;
  const plan = planSheet(version.body);
  const oldest = plans.keys().next();
  if (plans.size >= PLANS_KEPT && !oldest.done) plans.delete(oldest.value);
  plans.set(version.id, plan);
  return plan;
}

export async function findVersions(
  db: EntityManager,
  ids: readonly string[],
): Promise<TemplateVersion[]> {
  const rows = await db.findBy(TemplateVersionRow, {
    id: In([...new Set(ids)]),
  });
  return rows.map(versionOf);
}

/** The version new work is begun under. */
export async function newestVersion(db: EntityManager, template: string): Promise<TemplateVersion> {
  const rows = await db.find(TemplateVersionRow, {
    where: { template },
    order: { number: 'DESC' },
    take: 1,
  });
  const row = rows[0];
  if (!row) throw notFound('This template');
  return versionOf(row);
}

export async function newestVersions(db: EntityManager): Promise<TemplateVersion[]> {
  const rows = await db.find(TemplateVersionRow, { order: { number: 'DESC' } });
  const newest = new Map<string, TemplateVersion>();
  for (const row of rows) if (!newest.has(row.template)) newest.set(row.template, versionOf(row));
  return [...newest.values()].sort((a, b) => a.body.title.localeCompare(b.body.title));
}
