import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { command } from './command.mjs';
import { postgresPrograms } from './packages.mjs';
import { Trouble } from './say.mjs';

const DUMP = 'database.dump';
const FILES = 'files';
const SEAL_KEY = 'seal.key';

const program = (name) => {
  const bin = postgresPrograms();
  if (!bin) throw new Trouble('PostgreSQL is not installed here: run npm start once.');
  return path.join(bin, name);
};

/** PostgreSQL's programs take the password from the environment: in the command others could read it. */
function at(url) {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    to: ['-h', hostname, '-p', port, '-U', username, '-d', pathname.slice(1)],
    env: { ...process.env, PGPASSWORD: password },
  };
}

/**
 * Writes everything an installation holds into a folder: the database first, then the files, which
 * are only ever added, so that the files hold all that the database names.
 * @param {{ ownerUrl: string, filesDir: string }} from
 * @param {string} folder new, or empty
 */
export async function backUp({ ownerUrl, filesDir }, folder) {
  if (existsSync(folder) && readdirSync(folder).length > 0)
    throw new Trouble(`${folder} is not empty. Name a folder that is new.`);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const { to, env } = at(ownerUrl);
  const file = path.join(folder, DUMP);
  await command(program('pg_dump'), [...to, '--format=custom', '--file', file], { env });
  const media = path.join(filesDir, 'media');
  if (existsSync(media)) cpSync(media, path.join(folder, FILES, 'media'), { recursive: true });
  // What is sealed in the database opens with this key alone.
  const key = path.join(filesDir, SEAL_KEY);
  if (existsSync(key)) cpSync(key, path.join(folder, SEAL_KEY));
}

/**
 * Brings a backup back into a cluster that holds nothing yet. What is set up afterwards finds that
 * the database came from elsewhere, and has phones be filled anew.
 * @param {{ ownerUrl: string, appPassword: string, filesDir: string }} into
 * @param {string} folder
 */
export async function bringBack({ ownerUrl, appPassword, filesDir }, folder) {
  const file = path.join(folder, DUMP);
  if (!existsSync(file)) throw new Trouble(`There is no backup in ${folder}.`);
  const { to, env } = at(ownerUrl);
  // The rights in the backup are given to this role, so it has to be there first.
  const role = `DO $$ BEGIN CREATE ROLE trail_app LOGIN NOSUPERUSER NOBYPASSRLS PASSWORD '${appPassword}'; EXCEPTION WHEN duplicate_object THEN NULL; END $$`;
  await command(program('psql'), [...to, '-v', 'ON_ERROR_STOP=1', '-qc', role], { env });
  await command(program('pg_restore'), [...to, '--exit-on-error', file], { env });
  const media = path.join(folder, FILES, 'media');
  if (existsSync(media)) cpSync(media, path.join(filesDir, 'media'), { recursive: true });
  const key = path.join(folder, SEAL_KEY);
  if (existsSync(key)) cpSync(key, path.join(filesDir, SEAL_KEY));
}

/**
 * Where the cluster of a running installation listens; null when it does not run.
 * @param {string} place the folder of its database
 */
export function runningPort(place) {
  const file = path.join(place, 'postmaster.pid');
  if (!existsSync(file)) return null;
  const [pid, , , port] = readFileSync(file, 'utf8').split('\n');
  try {
    process.kill(Number(pid), 0);
  } catch {
    return null;
  }
  return port ? Number(port) : null;
}
