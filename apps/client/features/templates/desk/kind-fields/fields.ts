import type { Question, QuestionKind } from '@ant-trail/core/sheet';
import { CatalogueFields } from './catalogue.tsx';
import { HoldFields, RecordingFields, SignatureFields } from './evidence.tsx';
import { ChoiceFields, ScoredFields } from './judged.tsx';
import { SharesFields, SketchFields } from './parts.tsx';
import type { FieldsOf } from './props.ts';
import { PercentageFields, QuantityFields } from './quantity.tsx';
import { RowsFields } from './rows.tsx';

/** The fields of each kind in the builder; null where it has none of its own. */
const FIELDS: { readonly [Kind in QuestionKind]: FieldsOf<Kind> | null } = {
  yesNo: ScoredFields,
  choice: ChoiceFields,
  choices: ChoiceFields,
  performed: ScoredFields,
  acknowledge: null,
  number: QuantityFields,
  instrument: QuantityFields,
  calculated: QuantityFields,
  percentage: PercentageFields,
  shares: SharesFields,
  text: null,
  phone: null,
  email: null,
  date: null,
  time: null,
  moment: null,
  address: null,
  code: null,
  lookup: CatalogueFields,
  photo: null,
  video: RecordingFields,
  voice: RecordingFields,
  file: null,
  signature: SignatureFields,
  hold: HoldFields,
  sketch: SketchFields,
  rows: RowsFields,
};

/** The fields for a question; each is only ever given questions of its own kind. */
export const fieldsOf = ({ kind }: Question): FieldsOf | null => FIELDS[kind] as FieldsOf | null;
