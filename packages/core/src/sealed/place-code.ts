import { CODE_KEY_BYTES, readBytes, writeBytes } from './sealed.ts';

/** What stands in the code that hangs at a place: which one it is, and the key that opens its details. */
export interface PlaceCode {
  readonly id: string;
  readonly key: Uint8Array;
}

const CODE =
  /^urn:uuid:([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})\?=k=([A-Za-z0-9_-]+)$/i;

/** A place's code: the name of what it is on, with the key as its q-component (RFC 8141, 2.3.2). */
export const writePlaceCode = ({ id, key }: PlaceCode): string =>
  `urn:uuid:${id}?=k=${writeBytes(key)}`;

/** A place's code that was read; null for any other code. */
export function readPlaceCode(code: string): PlaceCode | null {
  const [, id = '', text = ''] = CODE.exec(code.trim()) ?? [];
  const key = readBytes(text, CODE_KEY_BYTES);
  return id && key ? { id: id.toLowerCase(), key } : null;
}
