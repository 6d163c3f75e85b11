#!/usr/bin/env node
import { existsSync } from 'node:fs';
import path from 'node:path';
import { bringBack } from './house/backup.mjs';
import { buildServer } from './house/build-server.mjs';
import { defaultDataDir, openCluster, runningCluster } from './house/cluster.mjs';
import { ensurePackages } from './house/packages.mjs';
import { run, say, Trouble } from './house/say.mjs';
import { prepareDatabase } from './house/serve.mjs';

await run(async () => {
  const [folder] = process.argv.slice(2).filter((word) => !word.startsWith('--'));
  const over = process.argv.includes('--over');
  if (!folder) throw new Trouble('Say where from: npm run restore -- the-folder');
  const dataDir = path.resolve(process.env.ANT_TRAIL_DATA ?? defaultDataDir());
  if (await runningCluster(dataDir))
    throw new Trouble('Ant Trail runs on this data. Stop it first.');
  if (existsSync(path.join(dataDir, 'secrets.json')) && !over)
    throw new Trouble(
      `There is data in ${dataDir}. Name another folder by ANT_TRAIL_DATA, or add --over to lose what is there.`,
    );
  await ensurePackages();
  await buildServer();
  // Always a cluster of its own: by that it is known that numbers of before mean nothing any more.
  const cluster = await openCluster(dataDir, { fresh: true });
  try {
    await bringBack(cluster, path.resolve(folder));
    await prepareDatabase(cluster, { demo: false });
  } finally {
    await cluster.stop();
  }
  say('everything is back; phones are filled anew by themselves. Start it with npm start');
});
