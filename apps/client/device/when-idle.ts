/** Does something when the phone has a moment, and soon in any case. Gives the way to call it off. */
export function whenIdle(work: () => void): () => void {
  // Safari knows no such moments.
  if (typeof requestIdleCallback !== 'function') {
    const timer = setTimeout(work, 30);
    return () => clearTimeout(timer);
  }
  const handle = requestIdleCallback(work, { timeout: 500 });
  return () => cancelIdleCallback(handle);
}
