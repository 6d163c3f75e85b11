import type { QuestionKind } from '@ant-trail/core/sheet';
import type { ComponentType } from 'react';
import type { PartProps } from '../session/sheet-context.tsx';
import { AcknowledgePart } from './acknowledge.tsx';
import { ChoicePart, ChoicesPart, PerformedPart, YesNoPart } from './choices.tsx';
import { CodePart } from './code.tsx';
import { FilesPart } from './files.tsx';
import { HoldPart } from './hold.tsx';
import { InstrumentPart } from './instrument.tsx';
import { LookupPart } from './lookup.tsx';
import { NumberPart } from './number.tsx';
import { SignaturePart } from './signature.tsx';
import { SketchPart } from './sketch.tsx';
import { DatePart, TextPart } from './text.tsx';
import {
  AddressPart,
  CalculatedPart,
  EmailPart,
  MomentPart,
  PercentagePart,
  PhonePart,
  SharesPart,
} from './values.tsx';

/**
 * The control for each kind of question. Photos need none, since every question can have them;
 * rows are opened by the block they stand in, which knows the blocks inside them.
 */
export const PARTS: Record<QuestionKind, ComponentType<PartProps> | null> = {
  yesNo: YesNoPart,
  choice: ChoicePart,
  choices: ChoicesPart,
  performed: PerformedPart,
  acknowledge: AcknowledgePart,
  number: NumberPart,
  instrument: InstrumentPart,
  calculated: CalculatedPart,
  percentage: PercentagePart,
  shares: SharesPart,
  text: TextPart,
  phone: PhonePart,
  email: EmailPart,
  date: DatePart,
  time: DatePart,
  moment: MomentPart,
  address: AddressPart,
  code: CodePart,
  lookup: LookupPart,
  photo: null,
  video: FilesPart,
  voice: FilesPart,
  file: FilesPart,
  signature: SignaturePart,
  hold: HoldPart,
  sketch: SketchPart,
  rows: null,
};
