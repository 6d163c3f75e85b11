import '../../scripts/house/with-test-kit.mjs';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { buildClient } from '../../scripts/house/build-client.mjs';
import { buildServer } from '../../scripts/house/build-server.mjs';
import { openCluster } from '../../scripts/house/cluster.mjs';
import { prepareDatabase } from '../../scripts/house/serve.mjs';

/** One cluster with the demo loaded; each test works on a copy of its database. */
export default async function start(): Promise<() => Promise<void>> {
  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-e2e-'));
  chmodSync(dir, 0o755);
  await buildServer();
  await buildClient();
  const cluster = await openCluster(dir, { fast: true });
  await prepareDatabase(cluster);
  process.env['E2E_CLUSTER'] = JSON.stringify({
    ownerUrl: cluster.ownerUrl,
    appUrl: cluster.appUrl,
    filesDir: cluster.filesDir,
  });
  return async () => {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  };
}
