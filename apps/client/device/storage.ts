/** Below this share of free space the phone says so, before anything fails. */
const LOW_SHARE = 0.1;

/** Asks the browser not to clear what is kept here when space runs short. Says whether it won't. */
export async function askToKeep(): Promise<boolean> {
  return (await navigator.storage?.persist?.().catch(() => false)) ?? false;
}

/** Whether space on this phone runs low. */
export async function spaceIsLow(): Promise<boolean> {
  const estimate = await navigator.storage?.estimate?.().catch(() => null);
  if (!estimate?.quota || estimate.usage === undefined) return false;
  return 1 - estimate.usage / estimate.quota < LOW_SHARE;
}
