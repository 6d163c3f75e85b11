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
  workers: 1,
  timeout: 240_000,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    trace: 'retain-on-failure',
    screenshot: 'only-on-failure',
    actionTimeout: 20_000,
    launchOptions: CHROMIUM,
  },
});
