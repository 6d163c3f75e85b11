/** A run of readings that keep going one way. */
export interface Drift {
  readonly direction: 'rising' | 'falling';
  /** How many readings form the run, the newest included. */
  readonly readings: number;
}

/**
 * Names a steady drift at the end of a series (oldest first): at least `least` readings that each
 * exceed, or each fall below, the one before. Six in a row is rule 3 of L. S. Nelson, Journal of
 * Quality Technology 16 (1984); five, the default, points it out to the technician one visit
 * earlier (our own choice, no source).
 */
export function driftAtEnd(values: readonly number[], least = 5): Drift | null {
  const run = (rises: boolean): number => {
    let count = 1;
    for (let i = values.length - 1; i > 0; i--) {
      const step = (values[i] ?? 0) - (values[i - 1] ?? 0);
      if (rises ? step <= 0 : step >= 0) break;
      count++;
    }
    return count;
  };
  const rising = run(true);
  if (rising >= least) return { direction: 'rising', readings: rising };
  const falling = run(false);
  if (falling >= least) return { direction: 'falling', readings: falling };
  return null;
}
