import { mkdir } from 'node:fs/promises';
import 'reflect-metadata';
import { z } from 'zod';
import { ownerData } from '../data-source.ts';
import { fillHashes } from './fill-hashes.ts';
import { loadDemo } from './load-demo.ts';
import { noteWhereItLies } from './note-where-it-lies.ts';

const Settings = z.object({
  OWNER_URL: z.string().min(1),
  APP_PASSWORD: z.string().regex(/^[0-9a-f]{16,}$/),
  FILES_DIR: z.string().min(1),
  DEMO: z.enum(['yes', 'no']).default('yes'),
});

/** Brings a database to where the server can start: role, migrations, and the demo when it is empty. */
const settings = Settings.parse(process.env);
const data = await ownerData(settings.OWNER_URL).initialize();
const [role] = await data.query<unknown[]>(`SELECT 1 FROM pg_roles WHERE rolname = 'trail_app'`);
await data.query(
  `${role ? 'ALTER' : 'CREATE'} ROLE trail_app LOGIN NOSUPERUSER NOBYPASSRLS PASSWORD '${settings.APP_PASSWORD}'`,
);
const [database] = await data.query<{ name: string }[]>(`SELECT current_database() AS name`);
await data.query(`GRANT CREATE ON DATABASE "${database?.name ?? ''}" TO trail_app`);
await data.runMigrations();
await fillHashes(data);
await noteWhereItLies(data);
const [empty] = await data.query<unknown[]>(`SELECT 1 FROM organisation LIMIT 1`);
await mkdir(settings.FILES_DIR, { recursive: true });
if (!empty && settings.DEMO === 'yes') {
  await loadDemo(data, settings.FILES_DIR, new Date());
  console.log('loaded the demo organisation');
}
await data.destroy();
