export { recordedOf, recordFields, type Recorded, type RecordedField } from './record.ts';
