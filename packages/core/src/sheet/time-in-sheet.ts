/** Time spent in a sheet, in seconds: pauses longer than this are not counted. */
const LONGEST_PAUSE_S = 600;

/**
 * Time spent working in a sheet, in seconds: the time between entries, leaving out pauses of more
 * than ten minutes (our own choice, no source). Instants as RFC 3339, in any order.
 */
export function timeInSheet(instants: readonly string[]): number {
  const times = instants.map((at) => Date.parse(at) / 1000).sort((a, b) => a - b);
  let spent = 0;
  for (let i = 1; i < times.length; i++) {
    const step = (times[i] ?? 0) - (times[i - 1] ?? 0);
    if (step <= LONGEST_PAUSE_S) spent += step;
  }
  return spent;
}

/** Time in words, to the minute. */
export function sayMinutes(seconds: number): string {
  const minutes = Math.max(1, Math.round(seconds / 60));
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return hours === 0 ? `${minutes} min` : rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
