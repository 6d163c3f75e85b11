/**
 * Registers the worker that keeps the application's shell for starts without network. A waiting
 * new version takes over only when no sheet is open: a reload must never interrupt an answer.
 */
export function registerServiceWorker(): void {
  if (process.env['NODE_ENV'] !== 'production' || !('serviceWorker' in navigator)) return;
  addEventListener('load', () => {
    void navigator.serviceWorker.register('/sw.js').then((registration) => {
      const takeOver = (): void => {
        if (location.pathname.startsWith('/sheet/')) return;
        registration.waiting?.postMessage({ type: 'SKIP_WAITING' });
      };
      registration.addEventListener('updatefound', () => {
        registration.installing?.addEventListener('statechange', takeOver);
      });
      document.addEventListener('visibilitychange', takeOver);
    });
  });
}
