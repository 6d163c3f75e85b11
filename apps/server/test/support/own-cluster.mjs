/** Each worker has a cluster of its own. */
const clusters = JSON.parse(process.env.TEST_CLUSTERS ?? '[]');
const own = clusters[Number(process.env.JEST_WORKER_ID ?? 1) - 1] ?? clusters[0];
if (own)
  Object.assign(process.env, {
    TEST_OWNER_URL: own.ownerUrl,
    TEST_APP_URL: own.appUrl,
    TEST_FILES_DIR: own.filesDir,
  });
