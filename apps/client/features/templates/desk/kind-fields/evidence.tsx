import type {
  HoldQuestion,
  SignatureQuestion,
  VideoQuestion,
  VoiceQuestion,
} from '@ant-trail/core/sheet';
import { Input } from '@/design/input.tsx';
import { Tick } from '@/design/tick.tsx';
import { NumberField } from '@/design/number-field.tsx';
import type { KindFieldsProps } from './props.ts';

export const RecordingFields = ({
  question,
  set,
}: KindFieldsProps<VideoQuestion | VoiceQuestion>) => (
  <NumberField
    label="Longest, in seconds"
    value={question.longest}
    onChange={(longest) => set({ longest })}
  />
);

export const HoldFields = ({ question, set }: KindFieldsProps<HoldQuestion>) => (
  <Tick
    label="Somebody from outside may pass it, by signature alone"
    on={question.outside === true}
    onPress={() => set({ outside: question.outside ? undefined : true })}
  />
);

export const SignatureFields = ({ question, set }: KindFieldsProps<SignatureQuestion>) => (
  <Input
    label="What is consented to by signing"
    lines={4}
    value={question.consent ?? ''}
    onChange={(words) => set({ consent: words.trim() === '' ? undefined : words })}
  />
);
