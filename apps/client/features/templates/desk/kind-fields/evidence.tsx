import type { HoldQuestion, VideoQuestion, VoiceQuestion } from '@ant-trail/core/sheet';
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
