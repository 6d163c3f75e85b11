#!/usr/bin/env node
import { spawn } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { ensurePackages } from './house/packages.mjs';
import { ROOT } from './house/places.mjs';
import { run, say, Trouble } from './house/say.mjs';

const MINUTES = Number(process.argv[2] ?? 60);
const PLACES = ['packages/core/test', 'packages/contract/test', 'apps/server/test'];

/** Suites that try what nobody thought of: each run of them begins from another seed. */
const suites = () =>
  PLACES.flatMap((place) =>
    readdirSync(path.join(ROOT, place))
      .filter((name) => name.endsWith('.test.ts'))
      .map((name) => path.join(place, name))
      .filter((file) => readFileSync(path.join(ROOT, file), 'utf8').includes("from 'fast-check'")),
  );

const once = (files) =>
  new Promise((resolve) => {
    spawn(path.join(ROOT, 'node_modules/.bin/jest'), ['--silent', '--runTestsByPath', ...files], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
    }).on('close', resolve);
  });

/** `npm run soak [minutes]`: the property tests again and again, until one of them finds something. */
await run(async () => {
  if (!(MINUTES > 0)) throw new Trouble('Say for how many minutes, such as: npm run soak 30');
  await ensurePackages();
  const files = suites();
  const end = Date.now() + MINUTES * 60_000;
  for (let round = 1; Date.now() < end; round++) {
    say(`round ${round} of ${files.length} suites`);
    if ((await once(files)) !== 0)
      throw new Trouble('Something was found. Its seed stands above, with the case that failed.');
  }
  say('nothing was found');
});
