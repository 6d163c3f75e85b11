import { AGAIN_MS } from '../../design/one-press.ts';

// Every click in jsdom is at the same place: without a pause between tests, the first click of one is
// the second tap of the last one's, and rightly does nothing.
let clickedAt = -AGAIN_MS;
addEventListener('click', () => (clickedAt = performance.now()), true);
afterEach(async () => {
  const left = clickedAt + AGAIN_MS - performance.now();
  if (left > 0) await new Promise((resolve) => setTimeout(resolve, left));
});
