import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { CHROMIUM } from '../e2e/playwright.config.ts';
import { buildClient } from '../scripts/house/build-client.mjs';
import { freePort, openCluster } from '../scripts/house/cluster.mjs';
import { prepareDatabase, startServer, stopServer } from '../scripts/house/serve.mjs';

/** A browser, and an office with the demo's data that is gone afterwards. */
export async function withOffice(
  measure: (browser: Browser, base: string) => Promise<void>,
): Promise<void> {
  await buildClient();
  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-bench-'));
  chmodSync(dir, 0o755);
  const cluster = await openCluster(dir);
  const browser = await chromium.launch(CHROMIUM);
  try {
    await prepareDatabase(cluster);
    const port = await freePort();
    const server = await startServer(cluster, { port });
    await measure(browser, `http://localhost:${port}`);
    await stopServer(server);
  } finally {
    await browser.close();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}
