import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { command } from './command.mjs';
import { ROOT } from './places.mjs';
import { say, Trouble } from './say.mjs';

const STAMP = path.join(ROOT, 'node_modules', '.ant-trail-installed');

/** Installs the packages of the lock file, unless they are already there. */
export async function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Trouble(`Node.js 20.19 or newer is needed; this is ${process.versions.node}.`);
  const wanted = createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  say('installing packages (a few minutes the first time)');
  // Not “npm ci”: it refuses any lock file that lacks the optional binaries of other platforms, which
  // some registries do not carry. This reads the lock file and leaves it as it is.
  await command('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
  });
  writeFileSync(STAMP, wanted);
}

/** Installs Debian packages. */
export async function aptInstall(packages, forWhat) {
  const how = `Install ${packages.join(', ')} yourself, then start again.`;
  if (process.platform !== 'linux' || !existsSync('/usr/bin/apt-get'))
    throw new Trouble(`${forWhat} is missing and there is no apt-get here. ${how}`);
  if (process.getuid() !== 0)
    throw new Trouble(`${forWhat} is missing and only root may install it. ${how}`);
  say(`installing ${forWhat}`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  await command('apt-get', ['update', '-q'], { env });
  await command('apt-get', ['install', '-y', '-q', '--no-install-recommends', ...packages], {
    env,
  });
}

export async function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  await aptInstall(['chromium'], 'Chromium');
}

const POSTGRES_ROOT = '/usr/lib/postgresql';

/** The folder of PostgreSQL's programs, newest version first. */
export function postgresPrograms() {
  if (!existsSync(POSTGRES_ROOT)) return null;
  const versions = readdirSync(POSTGRES_ROOT)
    .filter((version) => existsSync(path.join(POSTGRES_ROOT, version, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] ? path.join(POSTGRES_ROOT, versions[0], 'bin') : null;
}
