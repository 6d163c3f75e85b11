export type {
  AddressValue,
  AnswerValue,
  CloseOutValue,
  CodeValue,
  CoverValue,
  FileValue,
  HoldValue,
  LookupValue,
  OffScaleValue,
  PhotoValue,
  RowValue,
  Shape,
  SignatureValue,
  SketchValue,
} from './answer-value.ts';
export { chainBreaks } from './chain.ts';
export { coverOf, covers, isCover } from './cover.ts';
export { type Entry, ENTRY_KINDS, type EntryDraft, type EntryKind, takesAway } from './entry.ts';
export { contentHash, entryHash, sha256Hex } from './hash.ts';
export {
  byId,
  countingHeads,
  differingHeads,
  EMPTY_PATH_LOG,
  mergePath,
  type PathLog,
} from './heads.ts';
export { instantOf, timeOrderedId } from './id.ts';
export { ODDITIES, type Oddity, oddityWords } from './oddity.ts';
export {
  answerPath,
  blanksPath,
  COVER_PATH,
  filePath,
  isQuestionKey,
  type ParsedPath,
  parsePath,
  photoPath,
  PROGRAMME_PATH,
  reasonPath,
  rowPath,
  rowScope,
  STAGE_PATH,
} from './path.ts';
