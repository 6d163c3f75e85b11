/**
 * How far a phone has read: `fill` while it is first filled (up to which number the fill is good,
 * and after which job it goes on), then `at` a number of the organisation's feed.
 */
export type Cursor =
  | {
      readonly kind: 'fill';
      readonly seq: number | null;
      readonly after: string | null;
    }
  | { readonly kind: 'at'; readonly seq: number };

export function writeCursor(cursor: Cursor): string {
  return cursor.kind === 'at'
    ? `at.${cursor.seq}`
    : `fill.${cursor.seq ?? ''}.${cursor.after ?? ''}`;
}

/** Reads a cursor; one that can't be read means filling the phone anew, which loses nothing. */
export function readCursor(text: string | undefined): Cursor {
  const [kind, seq, after] = (text ?? '').split('.');
  const number = seq ? Number(seq) : Number.NaN;
  if (kind === 'at' && Number.isSafeInteger(number)) return { kind, seq: number };
  if (kind === 'fill' && Number.isSafeInteger(number) && after) return { kind, seq: number, after };
  return { kind: 'fill', seq: null, after: null };
}
