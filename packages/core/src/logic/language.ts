import type { Environment } from '@marcbachmann/cel-js';

type Limits = ConstructorParameters<typeof Environment>[0];

let language: { readonly Environment: typeof Environment } | null = null;

/**
 * Brings the reader of expressions. It is a quarter of what a phone needs to show its trail, and only
 * sheets that are opened need it; afterwards a {@link newEnvironment} can be made.
 */
export async function loadLanguage(): Promise<void> {
  language ??= await import('@marcbachmann/cel-js');
}

export const isLanguageLoaded = (): boolean => language !== null;

/** Where expressions are read and their types are checked. Throws an Error before the language is there. */
export function newEnvironment(limits: Limits): Environment {
  if (!language) throw new Error('the language of expressions is not loaded');
  return new language.Environment(limits);
}
