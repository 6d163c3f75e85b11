/** One frame at 60 a second, in milliseconds. */
export const FRAME_MS = 1000 / 60;

/** The time that a part of them, 0 to 1, stays within; half of them where nothing is said. */
export const median = (times: readonly number[], part = 0.5): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * part)] ?? Number.NaN;

/** Runs something several times after a warm-up; gives the median in milliseconds. */
export async function medianMs(work: () => unknown, runs = 15, warmUp = 3): Promise<number> {
  for (let i = 0; i < warmUp; i++) await work();
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const from = performance.now();
    await work();
    times.push(performance.now() - from);
  }
  return median(times);
}

export function show(name: string, ms: number, against: string): void {
  const figure = ms < 1 ? `${(ms * 1000).toFixed(0)} µs` : `${ms.toFixed(ms < 20 ? 2 : 0)} ms`;
  console.log(`${name.padEnd(52)} ${figure.padStart(9)}   ${against}`);
}
