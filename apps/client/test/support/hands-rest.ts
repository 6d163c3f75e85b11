import { AGAIN_MS } from '../../design/one-press.ts';

// Every click in jsdom is at the same place: without a pause the next click after a dialog has closed
// is the second tap of the one that closed it, and rightly does nothing.
let clickedAt = -AGAIN_MS;
addEventListener('click', () => (clickedAt = performance.now()), true);

/** As long as a hand takes to come back for another press. */
export async function handsRest(): Promise<void> {
  const left = clickedAt + AGAIN_MS - performance.now();
  if (left > 0) await new Promise((resolve) => setTimeout(resolve, left));
}
afterEach(handsRest);
