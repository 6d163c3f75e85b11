export {
  recordedOf,
  recordFields,
  type Recorded,
  type RecordedField,
  type RecordField,
} from './record.ts';
