import { defineConfig } from '@playwright/test';

/** How Debian's Chromium is started, here and in the benchmarks. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // A microphone and a camera that show a test picture, and may be used.
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
  ],
};

export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  globalSetup: './support/start-cluster.ts',
  // A test waits for half of its time: two beside each other on two cores take two thirds of it.
  workers: 2,
  timeout: 300_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    // A trace of every test takes a fifth of the machine: `--trace on` has one of the test looked into.
    trace: 'off',
    screenshot: 'only-on-failure',
    actionTimeout: 30_000,
    launchOptions: CHROMIUM,
  },
});
