#!/usr/bin/env node
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import path from 'node:path';
import { defaultDataDir, openCluster } from './house/cluster.mjs';
import { ensurePackages } from './house/packages.mjs';
import { run, Trouble } from './house/say.mjs';

const fresh = process.argv.includes('--fresh');
const port = Number(process.env.PORT ?? 8080);
const host = process.env.HOST ?? '127.0.0.1';
const dataDir = path.resolve(process.env.ANT_TRAIL_DATA ?? defaultDataDir());
const lock = path.join(dataDir, 'start.pid');

function mustBeFree() {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', (error) =>
      reject(
        new Trouble(
          error.code === 'EADDRINUSE'
            ? `Port ${port} is in use. Choose another one: PORT=${port + 10} npm start`
            : `Port ${port} can't be used (${error.message}). Choose another one: PORT=${port + 10} npm start`,
        ),
      ),
    );
    probe.listen(port, host, () => probe.close(resolve));
  });
}

function isStartRunning(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs');
  } catch {
    return false;
  }
}

function takeLock() {
  mkdirSync(dataDir, { recursive: true });
  const other = existsSync(lock) ? Number(readFileSync(lock, 'utf8')) : 0;
  if (other && other !== process.pid && isStartRunning(other))
    throw new Trouble(
      `Ant Trail already runs on the data in ${dataDir}. Stop it first, or set ANT_TRAIL_DATA to another folder.`,
    );
  writeFileSync(lock, String(process.pid));
}

await run(async () => {
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Trouble(`PORT must be a number from 1 to 65535, not “${process.env.PORT}”.`);
  await mustBeFree();
  takeLock();
  await ensurePackages();
  // These need the packages, so they can only be loaded now.
  const { buildServer } = await import('./house/build-server.mjs');
  const { buildClient } = await import('./house/build-client.mjs');
  const { prepareDatabase, startServer, stopServer } = await import('./house/serve.mjs');

  await buildServer();
  await buildClient();
  const cluster = await openCluster(dataDir, { fresh });
  let server = null;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    if (server) await stopServer(server);
    await cluster.stop();
    rmSync(lock, { force: true });
    process.exit(code);
  };
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
  try {
    await prepareDatabase(cluster);
    server = await startServer(cluster, { port, host });
    server.on('exit', () => void stop(1));
  } catch (error) {
    await cluster.stop();
    rmSync(lock, { force: true });
    throw error;
  }
  const { DEMO_SIGN_INS } = await import('./house/demo-sign-ins.mjs');
  console.log(
    `\n  Ant Trail is at http://localhost:${port}\n\n${DEMO_SIGN_INS}\n  Stop it with Ctrl-C.\n`,
  );
});
