import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalize from 'canonicalize';
import type { Entry } from './entry.ts';

/** SHA-256 (FIPS 180-4) of bytes or of UTF-8 text, in lower-case hex. */
export function sha256Hex(data: Uint8Array | string): string {
  return bytesToHex(sha256(typeof data === 'string' ? utf8ToBytes(data) : data));
}

/** The hash of an entry over its canonical JSON (RFC 8785): what the device's next entry names as `prev`. */
export function entryHash(entry: Entry): string {
  return sha256Hex(canonicalize(entry) ?? '');
}

/** The hash of anything that is JSON, whatever the order of its fields: equal content, equal hash. */
export const contentHash = (content: unknown): string => sha256Hex(canonicalize(content) ?? '');
