import '../../../../scripts/house/with-test-kit.mjs';
import { mkdtempSync } from 'node:fs';
import path from 'node:path';
import { tmpdir } from 'node:os';
import { chmodSync } from 'node:fs';
import {
  buildServer,
  FOLD_WORKER,
  ORDER_WORKER,
  REPORT_WORKER,
  TABLE_WORKER,
} from '../../../../scripts/house/build-server.mjs';
import { openCluster } from '../../../../scripts/house/cluster.mjs';
import { prepareDatabase } from '../../../../scripts/house/serve.mjs';

async function open() {
  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-test-'));
  chmodSync(dir, 0o755);
  const cluster = await openCluster(dir, { fast: true });
  await prepareDatabase(cluster, { demo: false });
  return { cluster, dir };
}

/**
 * A cluster for each worker; each suite makes its own database from the migrated one. Two suites at one
 * cluster would wait for each other: what is told to phones waits for every transaction of a cluster.
 * @param {{ maxWorkers: number }} jest
 */
export default async function start({ maxWorkers }) {
  await buildServer();
  globalThis.testClusters = [];
  for (let worker = 1; worker <= maxWorkers; worker++) globalThis.testClusters.push(await open());
  Object.assign(process.env, {
    TEST_CLUSTERS: JSON.stringify(
      globalThis.testClusters.map(({ cluster: { ownerUrl, appUrl, filesDir } }) => ({
        ...{ ownerUrl, appUrl, filesDir },
      })),
    ),
    TEST_REPORT_WORKER: REPORT_WORKER,
    TEST_TABLE_WORKER: TABLE_WORKER,
    TEST_FOLD_WORKER: FOLD_WORKER,
    TEST_ORDER_WORKER: ORDER_WORKER,
  });
}
