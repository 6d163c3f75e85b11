#!/usr/bin/env node
import { spawn } from 'node:child_process';
import { ensureChromium, ensurePackages } from './house/packages.mjs';
import { ROOT } from './house/places.mjs';
import { run } from './house/say.mjs';

await run(async () => {
  await ensurePackages();
  // The order of stops needs neither a browser nor the server.
  if (process.argv[2] !== 'plan') {
    await ensureChromium();
    const { buildServer } = await import('./house/build-server.mjs');
    await buildServer();
  }
  process.exitCode = await new Promise((resolve) => {
    spawn(process.execPath, ['--import', 'tsx', 'bench/run.ts', ...process.argv.slice(2)], {
      cwd: ROOT,
      stdio: 'inherit',
    }).on('close', resolve);
  });
});
