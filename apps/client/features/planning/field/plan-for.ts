import { planSheet, prepareFor, type SheetPlan, type TemplateVersion } from '@ant-trail/core/sheet';
import type { LocalStore } from '@/device/local-store.ts';

const plans = new Map<string, SheetPlan>();

/** The plan of a template's version, made once. */
export function planFor(version: TemplateVersion): SheetPlan {
  const plan = plans.get(version.id) ?? planSheet(version.body);
  plans.set(version.id, plan);
  return plan;
}

/** Has a version's plan made before its sheet is opened: of a long one that takes a slow phone a while. */
export async function planAhead(store: LocalStore, id: string): Promise<void> {
  const version = plans.has(id) ? undefined : await store.templates.get(id);
  if (!version) return;
  await prepareFor(version.body);
  planFor(version);
}
