import { AGAIN_MS } from './one-press.ts';

/** A second tap about where the first was is the same press. */
const NEAR_PX = 40;

/** Where and when something was pressed. */
export interface Press {
  readonly x: number;
  readonly y: number;
  readonly at: number;
}

export const pressAt = (event: { clientX: number; clientY: number }): Press => ({
  ...{ x: event.clientX, y: event.clientY, at: performance.now() },
});

/**
 * What was pressed is gone; the second tap of two must not press what lies behind it. Clicks just here
 * do nothing for a moment.
 */
export function swallowSecondTap(pressed: Press): void {
  const left = pressed.at + AGAIN_MS - performance.now();
  if (left <= 0) return;
  const swallow = (event: MouseEvent): void => {
    const { clientX, clientY, detail } = event;
    // Keys, and readers of the screen, press without a pointer.
    if (detail === 0 || Math.hypot(clientX - pressed.x, clientY - pressed.y) > NEAR_PX) return;
    event.preventDefault();
    event.stopPropagation();
  };
  const over = new AbortController();
  const { signal } = over;
  const end = (): void => over.abort();
  addEventListener('click', swallow, { capture: true, signal });
  // Whoever has written in between is not tapping twice.
  addEventListener('keydown', end, { capture: true, signal });
  addEventListener('input', end, { capture: true, signal });
  setTimeout(end, left);
}

/**
 * What is under the finger has just changed by itself. Who taps now meant what stood there before: taps
 * on it do nothing until it could be seen. What stands where it stood, keys, and readers of the screen
 * press as ever.
 */
export function holdTaps(changed: string, ms: number): void {
  const swallow = (event: MouseEvent): void => {
    if (event.detail === 0 || !(event.target as Element).closest(changed)) return;
    event.preventDefault();
    event.stopPropagation();
  };
  addEventListener('click', swallow, true);
  setTimeout(() => removeEventListener('click', swallow, true), ms);
}
