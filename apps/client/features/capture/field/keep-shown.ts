/** So long what was out of sight may take to be laid out, on a slow phone. */
const SETTLING_MS = 1_500;

const MOVED = ['wheel', 'touchmove', 'keydown', 'pointerdown'] as const;

/**
 * Brings a part of the page to its top, and keeps it there while what is above and in it is laid out:
 * out of sight its height was a guess, and parts of it may still be on their way. Whoever moves the page
 * meanwhile is left alone.
 */
export function keepShown(element: HTMLElement): void {
  const show = (): void => element.scrollIntoView({ block: 'start' });
  show();
  const page = element.closest('main') ?? element.parentElement;
  if (!page) return;
  const laidOut = new ResizeObserver(show);
  for (const child of [element, ...page.children]) laidOut.observe(child);
  const over = new AbortController();
  const end = (): void => {
    laidOut.disconnect();
    over.abort();
  };
  for (const kind of MOVED)
    addEventListener(kind, end, { capture: true, passive: true, signal: over.signal });
  setTimeout(end, SETTLING_MS);
}
