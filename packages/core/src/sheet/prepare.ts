import {
  arePatternsLoaded,
  isLanguageLoaded,
  loadLanguage,
  loadPatternsFor,
  usesPatterns,
} from '../logic/index.ts';
import { areKitsLoaded, loadAllKits, loadKitsFor } from '../trades/index.ts';

/**
 * Brings what a template needs before it can be planned: the reader of expressions, and what not every
 * sheet has, the engine for patterns and trade kits.
 */
export async function prepareFor(template: unknown): Promise<void> {
  await Promise.all([loadLanguage(), loadPatternsFor(template), loadKitsFor(template)]);
}

/** Brings what any template may need but for the engine for patterns, once for all. */
export async function prepareForAny(): Promise<void> {
  await Promise.all([loadLanguage(), loadAllKits()]);
}

/** Whether a template can be planned and folded at once. */
export const isPrepared = (template: unknown): boolean =>
  isLanguageLoaded() &&
  (arePatternsLoaded() || !usesPatterns(JSON.stringify(template))) &&
  areKitsLoaded(template);
