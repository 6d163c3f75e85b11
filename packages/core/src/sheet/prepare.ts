import { arePatternsLoaded, loadPatternsFor, usesPatterns } from '../logic/index.ts';
import { areKitsLoaded, loadKitsFor } from '../trades/index.ts';

/** Brings what a template's expressions need and not every sheet does: the engine for patterns, trade kits. */
export async function prepareFor(template: unknown): Promise<void> {
  await Promise.all([loadPatternsFor(template), loadKitsFor(template)]);
}

/** Whether a template can be planned and folded at once. */
export const isPrepared = (template: unknown): boolean =>
  (arePatternsLoaded() || !usesPatterns(JSON.stringify(template))) && areKitsLoaded(template);
