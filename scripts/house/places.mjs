import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const CLIENT = path.join(ROOT, 'apps/client');

/** A trade kit besides those that ship: tests plug one of their own in, and build beside what is shipped. */
const more = process.env.ANT_TRAIL_MORE_KITS;
const DIST = more ? `dist-with-${more}` : 'dist';
/** What stands in for the empty list of further kits in a package, or nothing. */
export const moreKits = (place) =>
  more ? path.join(ROOT, place, `test/support/${more}-kit/index.ts`) : null;

export const CLIENT_DIST = path.join(CLIENT, DIST);
export const SERVER = path.join(ROOT, 'apps/server');
export const SERVER_DIST = path.join(SERVER, DIST);
