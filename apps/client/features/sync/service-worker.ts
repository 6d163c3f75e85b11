/**
 * Registers the worker that keeps the application's shell for starts without network. A waiting
 * new version takes over only when no sheet is open: a reload must never interrupt an answer.
 */
export function registerServiceWorker(): void {
  if (process.env['NODE_ENV'] !== 'production' || !('serviceWorker' in navigator)) return;
  // After the page has loaded, so that fetching the shell does not hold up the first screen.
  if (document.readyState === 'complete') void register();
  else addEventListener('load', () => void register());
}

async function register(): Promise<void> {
  const registration = await navigator.serviceWorker.register('/sw.js');
  const takeOver = (): void => {
    if (location.pathname.startsWith('/sheet/')) return;
    registration.waiting?.postMessage({ type: 'SKIP_WAITING' });
  };
  registration.addEventListener('updatefound', () => {
    registration.installing?.addEventListener('statechange', takeOver);
  });
  document.addEventListener('visibilitychange', takeOver);
}
