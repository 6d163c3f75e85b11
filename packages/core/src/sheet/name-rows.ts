/** The most rows that may be added in one go. */
export const MOST_ROWS_AT_ONCE = 500;

/**
 * Names for rows added by a pattern: `#` stands for the number, counted from `from`; `##` pads it
 * to two digits. Gives words for the person when the pattern can't be used.
 */
export function nameRows(
  count: number,
  from: number,
  pattern: string,
): { readonly names: readonly string[] } | { readonly problem: string } {
  if (!Number.isInteger(count) || count < 1 || count > MOST_ROWS_AT_ONCE)
    return { problem: `Add between 1 and ${MOST_ROWS_AT_ONCE} at once.` };
  if (!Number.isInteger(from) || from < 0) return { problem: 'Number them from 0 or higher.' };
  if (!pattern.trim()) return { problem: 'Say what they are called.' };
  if (count > 1 && !pattern.includes('#'))
    return { problem: 'Put # where the number stands, so that each has its own name.' };
  const names = Array.from({ length: count }, (_, index) =>
    pattern.trim().replace(/#+/, (marks) => String(from + index).padStart(marks.length, '0')),
  );
  return { names };
}
