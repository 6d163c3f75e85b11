/**
 * How far a phone has read: `fill` while it is first filled (up to which transaction the fill is
 * good, and after which job it goes on), then `at` a transaction of the organisation's feed. Each
 * belongs to one epoch of that feed: another one's numbers mean nothing.
 */
export type Cursor =
  | { readonly kind: 'new' }
  | {
      readonly kind: 'fill';
      readonly epoch: string;
      readonly upto: number;
      readonly after: string;
    }
  | { readonly kind: 'at'; readonly epoch: string; readonly upto: number };

const EPOCH = /^[a-z0-9-]{1,40}$/;

export function writeCursor(cursor: Exclude<Cursor, { kind: 'new' }>): string {
  const { kind, epoch, upto } = cursor;
  return kind === 'at' ? `at.${epoch}.${upto}` : `fill.${epoch}.${upto}.${cursor.after}`;
}

/** Reads a cursor; one that can't be read means filling the phone anew, which loses nothing. */
export function readCursor(text: string | undefined): Cursor {
  const [kind, epoch = '', number, after] = (text ?? '').split('.');
  const upto = number ? Number(number) : Number.NaN;
  if (!EPOCH.test(epoch) || !Number.isSafeInteger(upto)) return { kind: 'new' };
  if (kind === 'at') return { kind, epoch, upto };
  return kind === 'fill' && after ? { kind, epoch, upto, after } : { kind: 'new' };
}
