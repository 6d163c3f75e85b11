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

/** One cluster for all suites; each makes its own database from the migrated one. */
export default async function start() {
  const dir = mkdtempSync(path.join(tmpdir(), 'ant-trail-test-'));
  chmodSync(dir, 0o755);
  await buildServer();
  const cluster = await openCluster(dir, { fast: true });
  await prepareDatabase(cluster, { demo: false });
  globalThis.testCluster = { cluster, dir };
  Object.assign(process.env, {
    TEST_OWNER_URL: cluster.ownerUrl,
    TEST_APP_URL: cluster.appUrl,
    TEST_FILES_DIR: cluster.filesDir,
    TEST_REPORT_WORKER: REPORT_WORKER,
    TEST_TABLE_WORKER: TABLE_WORKER,
    TEST_FOLD_WORKER: FOLD_WORKER,
    TEST_ORDER_WORKER: ORDER_WORKER,
  });
}
