import { isHeldStill } from '@/device/hold-still.ts';

/**
 * Registers the worker that keeps the application's shell for starts without network. A waiting
 * new version takes over only when nothing is being written in any window: each is loaded anew then,
 * since the pieces of the version before are gone from here.
 */
export function registerServiceWorker(): void {
  if (process.env['NODE_ENV'] !== 'production' || !('serviceWorker' in navigator)) return;
  reloadOnTakeOver();
  // After the page has loaded, so that fetching the shell does not hold up the first screen.
  if (document.readyState === 'complete') void register();
  else addEventListener('load', () => void register());
}

async function register(): Promise<void> {
  const registration = await navigator.serviceWorker.register('/sw.js');
  const takeOver = async (): Promise<void> => {
    if (!registration.waiting || (await isHeldStill())) return;
    // Asked twice in one moment, it waits no more the second time.
    registration.waiting?.postMessage({ type: 'SKIP_WAITING' });
  };
  registration.addEventListener('updatefound', () => {
    registration.installing?.addEventListener('statechange', () => void takeOver());
  });
  document.addEventListener('visibilitychange', () => void takeOver());
  void takeOver();
}

function reloadOnTakeOver(): void {
  // The first worker of all takes over a page that is as new as itself; any after it does not.
  let hadWorker = navigator.serviceWorker.controller !== null;
  const reload = async (): Promise<void> => {
    // Begun to write in the moment between: then it is loaded anew when it is out of sight.
    if (await isHeldStill()) document.addEventListener('visibilitychange', again, { once: true });
    else location.reload();
  };
  const again = (): void => void reload();
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (hadWorker) void reload();
    hadWorker = true;
  });
}
