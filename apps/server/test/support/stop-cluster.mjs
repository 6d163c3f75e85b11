import { rmSync } from 'node:fs';

export default async function stop() {
  for (const { cluster, dir } of globalThis.testClusters) {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}
