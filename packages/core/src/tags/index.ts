export {
  numberOfId,
  readTagCode,
  readTagNumber,
  sayTagNumber,
  TAG_DIGITS,
  tagCode,
  tagNumber,
} from './tag-number.ts';
