import { rmSync } from 'node:fs';

export default async function stop() {
  const { cluster, dir } = globalThis.testCluster;
  await cluster.stop();
  rmSync(dir, { recursive: true, force: true });
}
