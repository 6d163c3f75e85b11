import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const CLIENT = path.join(ROOT, 'apps/client');
export const CLIENT_DIST = path.join(CLIENT, 'dist');
export const SERVER = path.join(ROOT, 'apps/server');
export const SERVER_DIST = path.join(SERVER, 'dist');
