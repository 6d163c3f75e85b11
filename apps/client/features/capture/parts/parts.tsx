import type { ComponentType } from 'react';
import type { QuestionKind } from '@ant-trail/core/sheet';
import type { PartProps } from '../field/sheet-context.tsx';
import { AcknowledgePart } from './acknowledge.tsx';
import { ChoicePart, ChoicesPart, YesNoPart } from './choices.tsx';
import { NumberPart } from './number.tsx';
import { SignaturePart } from './signature.tsx';
import { DatePart, TextPart } from './text.tsx';

/** The control for each kind of question. Photos need none: every question can have them. */
export const PARTS: Record<QuestionKind, ComponentType<PartProps> | null> = {
  yesNo: YesNoPart,
  choice: ChoicePart,
  choices: ChoicesPart,
  number: NumberPart,
  text: TextPart,
  date: DatePart,
  acknowledge: AcknowledgePart,
  signature: SignaturePart,
  photo: null,
};
