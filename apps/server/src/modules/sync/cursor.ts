import { RECORDS, type RecordKind } from '@ant-trail/contract/sync';

/**
 * How far a phone has read: `fill` while it is first filled (up to which transaction the fill is
 * good, and after which job it goes on), `rest` while it gets what its branch has (of which kind, and
 * after which of it), then `at` a transaction of the organisation's feed. Each belongs to one epoch of
 * that feed: another one's numbers mean nothing.
 */
export type Cursor =
  | { readonly kind: 'new' }
  | {
      readonly kind: 'fill';
      readonly epoch: string;
      readonly upto: number;
      readonly after: string;
    }
  | {
      readonly kind: 'rest';
      readonly epoch: string;
      readonly upto: number;
      readonly of: RecordKind;
      readonly after: string;
    }
  | { readonly kind: 'at'; readonly epoch: string; readonly upto: number };

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
const EPOCH = /^[a-z0-9-]{1,40}$/;

export function writeCursor(cursor: Exclude<Cursor, { kind: 'new' }>): string {
  const { kind, epoch, upto } = cursor;
  if (kind === 'at') return `at.${epoch}.${upto}`;
  return kind === 'fill'
    ? `fill.${epoch}.${upto}.${cursor.after}`
    : `rest.${epoch}.${upto}.${cursor.after}.${cursor.of}`;
}

/** Reads a cursor; one that can't be read means filling the phone anew, which loses nothing. */
export function readCursor(text: string | undefined): Cursor {
  const [kind, epoch = '', number, after, of = ''] = (text ?? '').split('.');
  const upto = number ? Number(number) : Number.NaN;
  if (!EPOCH.test(epoch) || !Number.isSafeInteger(upto)) return { kind: 'new' };
  if (kind === 'at') return { kind, epoch, upto };
  if (kind === 'rest' && after && UUID.test(after) && Object.hasOwn(RECORDS, of))
    return { kind, epoch, upto, after, of: of as RecordKind };
  return kind === 'fill' && after ? { kind, epoch, upto, after } : { kind: 'new' };
}
