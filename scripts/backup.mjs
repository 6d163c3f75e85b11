#!/usr/bin/env node
import path from 'node:path';
import { backUp } from './house/backup.mjs';
import { defaultDataDir, openCluster, runningCluster } from './house/cluster.mjs';
import { run, say, Trouble } from './house/say.mjs';

await run(async () => {
  const [folder] = process.argv.slice(2);
  if (!folder) throw new Trouble('Say where to: npm run backup -- a-new-folder');
  const dataDir = path.resolve(process.env.ANT_TRAIL_DATA ?? defaultDataDir());
  // A running installation goes on working meanwhile.
  const running = await runningCluster(dataDir);
  const cluster = running ?? (await openCluster(dataDir));
  try {
    await backUp(cluster, path.resolve(folder));
  } finally {
    if (!running) await cluster.stop();
  }
  say(`everything is in ${folder}; bring it back with npm run restore -- ${folder}`);
});
