import type { Question, QuestionKind } from '@ant-trail/core/sheet';
import { AcknowledgeControl, OneControl, SeveralControl } from './choosing.tsx';
import type { DeskControl } from './control.ts';
import { DayControl, MomentControl } from './days.tsx';
import { LookupControl } from './looking-up.tsx';
import { SharesControl } from './shares.tsx';
import { TypedControl } from './typing.tsx';

/**
 * How each kind is answered at a desk: in the builder's trial, when a value is corrected, when the
 * office fills something in beforehand. Null where nobody can without a phone in the hand, or where
 * nothing is given at all.
 */
const CONTROLS: { readonly [Kind in QuestionKind]: DeskControl<Kind> | null } = {
  yesNo: OneControl,
  choice: OneControl,
  choices: SeveralControl,
  performed: OneControl,
  acknowledge: AcknowledgeControl,
  number: TypedControl,
  instrument: TypedControl,
  calculated: null,
  percentage: TypedControl,
  shares: SharesControl,
  text: TypedControl,
  phone: TypedControl,
  email: TypedControl,
  date: DayControl,
  time: DayControl,
  moment: MomentControl,
  address: TypedControl,
  code: TypedControl,
  lookup: LookupControl,
  photo: null,
  video: null,
  voice: null,
  file: null,
  signature: null,
  hold: null,
  sketch: null,
  rows: null,
};

/** The control for a question; each is only ever given questions of its own kind. */
export const deskControl = ({ kind }: Question): DeskControl | null =>
  CONTROLS[kind] as DeskControl | null;
