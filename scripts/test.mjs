#!/usr/bin/env node
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { spawn } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';
import { ensureChromium, ensurePackages } from './house/packages.mjs';
import { ROOT } from './house/places.mjs';
import { run, say } from './house/say.mjs';

const RESULTS = path.join(ROOT, 'test-results');
const bin = (name) => path.join(ROOT, 'node_modules/.bin', name);
/** A run that ends by itself does so at once. */
const IDLE_MS = 30_000;
const totals = { passed: 0, failed: 0, skipped: 0 };

function begin(file, args, env = {}) {
  const child = spawn(file, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  const ended = new Promise((resolve) => {
    child.on('error', () => resolve(1));
    child.on('close', (code) => resolve(code ?? 1));
  });
  return { child, ended };
}

const show = (file, args, env) => begin(file, args, env).ended;

/** A check that passes or fails as a whole. */
async function check(name, file, args) {
  say(name);
  const code = await show(file, args);
  totals[code === 0 ? 'passed' : 'failed']++;
  if (code !== 0) say(`${name}: failed`);
}

const resultOf = (name) => {
  const file = path.join(RESULTS, name);
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
};

/** Tests that left something open would keep the run for ever once all is told: it is said, and ended. */
async function endIdle(name, child, file) {
  const isOver = () => !child.pid || child.exitCode !== null || child.signalCode !== null;
  while (!isOver() && !existsSync(file)) await sleep(1_000);
  await sleep(IDLE_MS);
  if (isOver()) return child.exitCode ?? 1;
  say(`${name}: all has run, but something was left open; it is ended`);
  child.kill('SIGKILL');
  return resultOf(`${name}.json`)?.success ? 0 : 1;
}

/** Jest, with its numbers; a run that broke off counts as one failure. */
async function jest(name, args, env) {
  say(name);
  const file = path.join(RESULTS, `${name}.json`);
  const { child, ended } = begin(bin('jest'), [...args, '--json', `--outputFile=${file}`], env);
  const code = await Promise.race([ended, endIdle(name, child, file)]);
  const result = resultOf(`${name}.json`);
  totals.passed += result?.numPassedTests ?? 0;
  totals.skipped += result?.numPendingTests ?? 0;
  const failed = (result?.numFailedTests ?? 0) + (result?.numRuntimeErrorTestSuites ?? 0);
  totals.failed += failed === 0 && code !== 0 ? 1 : failed;
}

async function playwright(specs) {
  say('the real interface in Chromium');
  const code = await show(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', ...specs]);
  const stats = resultOf('e2e.json')?.stats;
  totals.passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  totals.skipped += stats?.skipped ?? 0;
  const failed = stats?.unexpected ?? 0;
  totals.failed += failed === 0 && code !== 0 ? 1 : failed;
}

/** `npm test -- NAME`: only the suites whose path has that name in it, and nothing else. */
async function only(name) {
  const specs = readdirSync(path.join(ROOT, 'e2e/tests')).filter((file) => file.includes(name));
  const node = { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' };
  await jest('core-and-server', ['--passWithNoTests', `/test/[^/]*${name}`], node);
  const client = ['--config', 'apps/client/jest.config.cjs', '--passWithNoTests'];
  await jest('client', [...client, `/test/[^/]*${name}`], {});
  if (specs.length > 0) await playwright(specs);
}

/** Each of them keeps one core busy: two run beside each other. */
async function staticChecks() {
  await Promise.all([
    check('lint', bin('eslint'), ['.']),
    (async () => {
      await check('formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
      await check('arrows', 'npm', ['run', '--silent', 'arrows']);
      await check('types', bin('tsc'), ['--noEmit']);
      await check('types of the client', bin('tsc'), ['--noEmit', '-p', 'apps/client']);
    })(),
  ]);
}

async function everything() {
  await staticChecks();
  await jest('core-and-server', ['--maxWorkers=2'], {
    NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
  });
  await jest('client', ['--config', 'apps/client/jest.config.cjs', '--maxWorkers=2'], {});
  await playwright([]);
}

await run(async () => {
  await ensurePackages();
  await ensureChromium();
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  const [name] = process.argv.slice(2);
  await (name ? only(name) : everything());
  const skipped = totals.skipped > 0 ? `, ${totals.skipped} skipped` : '';
  console.log(`${totals.passed} passed, ${totals.failed} failed${skipped}`);
  process.exitCode = totals.failed === 0 ? 0 : 1;
});
