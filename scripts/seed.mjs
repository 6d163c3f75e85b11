#!/usr/bin/env node
import path from 'node:path';
import { defaultDataDir, openCluster } from './house/cluster.mjs';
import { takeData } from './house/one-at-a-time.mjs';
import { ensurePackages } from './house/packages.mjs';
import { run, say } from './house/say.mjs';

/** Throws the data away and loads the demo anew. */
await run(async () => {
  const dataDir = path.resolve(process.env.ANT_TRAIL_DATA ?? defaultDataDir());
  const letGo = takeData(dataDir);
  await ensurePackages();
  const { buildServer } = await import('./house/build-server.mjs');
  const { prepareDatabase } = await import('./house/serve.mjs');
  await buildServer();
  const cluster = await openCluster(dataDir, { fresh: true });
  try {
    await prepareDatabase(cluster);
    say(`the demo is loaded anew in ${dataDir}`);
  } finally {
    await cluster.stop();
    letGo();
  }
});
