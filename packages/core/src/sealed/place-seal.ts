import { deriveKey } from './sealed.ts';

/** What a place's sealed words are about: opened for anything else they are as good as damaged. */
export const aboutWords = (site: string, version: number): string => `arrival ${site} ${version}`;

/** What the key of these words is about, sealed by the code that hangs at the place. */
export const aboutKey = (site: string, version: number): string =>
  `key of arrival ${site} ${version}`;

/** The key that seals the key of a place's words, made of what stands in the place's code. */
export const keyOfCode = (code: Uint8Array, site: string): Promise<Uint8Array<ArrayBuffer>> =>
  deriveKey(code, site, 'arrival details by the code at the place');
