export { type PlaceCode, readPlaceCode, writePlaceCode } from './place-code.ts';
export { aboutKey, aboutWords, keyOfCode } from './place-seal.ts';
export {
  CODE_KEY_BYTES,
  deriveKey,
  IV_BYTES,
  KEY_BYTES,
  readBytes,
  seal,
  type Sealed,
  unseal,
  writeBytes,
} from './sealed.ts';
