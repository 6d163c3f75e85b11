/**
 * The on-screen keyboard of some phones lies over the page instead of making it smaller: the page is
 * told how high the part is that can be seen, so that the question and the bar stay in it. Pinched
 * larger by hand, the page keeps its size.
 */
export function followRoom(): () => void {
  const seen = globalThis.visualViewport;
  if (!seen) return () => undefined;
  const fit = (): void => {
    const { style } = document.documentElement;
    if (Math.abs(seen.scale - 1) < 0.01)
      style.setProperty('--room', `${Math.round(seen.height)}px`);
    else style.removeProperty('--room');
  };
  fit();
  seen.addEventListener('resize', fit);
  return () => seen.removeEventListener('resize', fit);
}
