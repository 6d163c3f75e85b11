#!/usr/bin/env node
import path from 'node:path';
import { defaultDataDir, openCluster } from './house/cluster.mjs';
import { mustBeFree, takeData } from './house/one-at-a-time.mjs';
import { ensurePackages } from './house/packages.mjs';
import { run } from './house/say.mjs';

const fresh = process.argv.includes('--fresh');
const port = Number(process.env.PORT ?? 8080);
const host = process.env.HOST ?? '127.0.0.1';
const dataDir = path.resolve(process.env.ANT_TRAIL_DATA ?? defaultDataDir());

await run(async () => {
  await mustBeFree(port, host, 'start');
  const letGo = takeData(dataDir);
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
    letGo();
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
    letGo();
    throw error;
  }
  const { DEMO_SIGN_INS } = await import('./house/demo-sign-ins.mjs');
  console.log(
    `\n  Ant Trail is at http://localhost:${port}\n\n${DEMO_SIGN_INS}\n  Stop it with Ctrl-C.\n`,
  );
});
