import type { ArrivalSeal } from '@ant-trail/contract/arrival';
import {
  aboutKey,
  aboutWords,
  KEY_BYTES,
  keyOfCode,
  readBytes,
  readPlaceCode,
  unseal,
} from '@ant-trail/core/sealed';

export type OpenedSeal = { readonly words: string } | { readonly problem: string };

/** Opens what is sealed for a place with the code that hangs there; with no network. */
export async function openSeal(sealed: ArrivalSeal, code: string): Promise<OpenedSeal> {
  const read = readPlaceCode(code);
  if (!read) return { problem: 'This is no code of a place. Point at the sheet that hangs there.' };
  if (read.id !== sealed.code)
    return { problem: 'This is the code of another place, or an old one of this place.' };
  const { id: site, version } = sealed;
  const key = await unseal(await keyOfCode(read.key, site), sealed.key, aboutKey(site, version));
  const bytes = key === null ? null : readBytes(key, KEY_BYTES);
  const words = bytes && (await unseal(bytes, sealed.words, aboutWords(site, version)));
  return words === null
    ? { problem: 'This code does not open what is kept here. Come in step with the office first.' }
    : { words };
}
