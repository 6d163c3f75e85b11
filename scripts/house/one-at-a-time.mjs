import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import path from 'node:path';
import { Trouble } from './say.mjs';

const SCRIPTS = /\b(start|dev|seed)\.mjs\b/;

function isRunning(pid) {
  try {
    return SCRIPTS.test(readFileSync(`/proc/${pid}/cmdline`, 'utf8'));
  } catch {
    return false;
  }
}

/** Takes a folder of data for this process alone; gives the way to let it go. */
export function takeData(dataDir) {
  const lock = path.join(dataDir, 'start.pid');
  mkdirSync(dataDir, { recursive: true });
  const other = existsSync(lock) ? Number(readFileSync(lock, 'utf8')) : 0;
  if (other && other !== process.pid && isRunning(other))
    throw new Trouble(
      `Ant Trail already runs on the data in ${dataDir}. Stop it first, or set ANT_TRAIL_DATA to another folder.`,
    );
  writeFileSync(lock, String(process.pid));
  return () => rmSync(lock, { force: true });
}

/** Throws in words where a port is no port, or somebody has it. */
export function mustBeFree(port, host, name) {
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Trouble(`PORT must be a number from 1 to 65535, not “${process.env.PORT}”.`);
  return new Promise((resolve, reject) => {
    const probe = createServer();
    const another = `Choose another one: PORT=${port + 10} npm ${name}`;
    probe.on('error', (error) =>
      reject(
        new Trouble(
          error.code === 'EADDRINUSE'
            ? `Port ${port} is in use. ${another}`
            : `Port ${port} can't be used (${error.message}). ${another}`,
        ),
      ),
    );
    probe.listen(port, host, () => probe.close(resolve));
  });
}
