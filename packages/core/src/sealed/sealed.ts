import { base64urlnopad } from '@scure/base';

/** Something sealed: what it takes to open it is the key, and to know what it is about. */
export interface Sealed {
  /** 96 bits, base64url. */
  readonly iv: string;
  /** The words and the tag that proves them whole, base64url. */
  readonly body: string;
}

const AES = 'AES-GCM';
/** NIST SP 800-38D, 5.2.1.1: the length for which the counter begins with the vector itself. */
export const IV_BYTES = 12;
export const KEY_BYTES = 32;
/** A key that stands in a printed code: 128 bits nobody guesses, in few signs. */
export const CODE_KEY_BYTES = 16;

const utf8 = new TextEncoder();
const bytesOf = (text: string): Uint8Array<ArrayBuffer> =>
  new Uint8Array(base64urlnopad.decode(text));

/**
 * A key made of other key material for one purpose: HKDF with SHA-256 (RFC 5869). The same material
 * gives other keys for other purposes, of which none tells of another.
 */
export async function deriveKey(
  material: Uint8Array,
  salt: string,
  purpose: string,
): Promise<Uint8Array<ArrayBuffer>> {
  const key = await crypto.subtle.importKey('raw', new Uint8Array(material), 'HKDF', false, [
    'deriveBits',
  ]);
  const bits = await crypto.subtle.deriveBits(
    { name: 'HKDF', hash: 'SHA-256', salt: utf8.encode(salt), info: utf8.encode(purpose) },
    key,
    KEY_BYTES * 8,
  );
  return new Uint8Array(bits);
}

const aes = (key: Uint8Array, use: 'encrypt' | 'decrypt') =>
  crypto.subtle.importKey('raw', new Uint8Array(key), AES, false, [use]);

/**
 * Seals words with a key of 256 bits by AES-GCM (NIST SP 800-38D). They open only for what they were
 * sealed about: moved elsewhere, they are as good as damaged. A vector is never used twice with a key.
 */
export async function seal(
  key: Uint8Array,
  iv: Uint8Array,
  words: string,
  about: string,
): Promise<Sealed> {
  const body = await crypto.subtle.encrypt(
    { name: AES, iv: new Uint8Array(iv), additionalData: utf8.encode(about) },
    await aes(key, 'encrypt'),
    utf8.encode(words),
  );
  return {
    iv: base64urlnopad.encode(iv),
    body: base64urlnopad.encode(new Uint8Array(body)),
  };
}

/** The words that were sealed; null where the key is another, or anything was changed. */
export async function unseal(
  key: Uint8Array,
  { iv, body }: Sealed,
  about: string,
): Promise<string | null> {
  try {
    const words = await crypto.subtle.decrypt(
      { name: AES, iv: bytesOf(iv), additionalData: utf8.encode(about) },
      await aes(key, 'decrypt'),
      bytesOf(body),
    );
    return new TextDecoder().decode(words);
  } catch {
    return null;
  }
}

/** Bytes as they stand in texts. */
export const writeBytes = (bytes: Uint8Array): string => base64urlnopad.encode(bytes);

/** Bytes out of a text, of the length that is wanted; null where it is none of that. */
export function readBytes(text: string, length: number): Uint8Array | null {
  try {
    const bytes = base64urlnopad.decode(text);
    return bytes.length === length ? bytes : null;
  } catch {
    return null;
  }
}
