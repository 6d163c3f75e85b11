import { textOf } from '@ant-trail/core/sheet';
import { DateField } from '@/design/pick.tsx';
import { useAnswer, type PartProps } from '../session/sheet-context.tsx';
import { DictatedInput } from './dictated-input.tsx';

export function TextPart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  return (
    <DictatedInput
      label={state.question.label}
      hideLabel
      lines={2}
      locked={locked}
      path={state.path}
      kept={state.answer ? textOf(state.answer.value) : ''}
      keep={(text) => give(text.trim() || null)}
    />
  );
}

/** A day or a time of day, by the browser's own picker. */
export function DatePart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  return (
    <DateField
      label={state.question.label}
      hideLabel
      type={state.question.kind === 'time' ? 'time' : 'date'}
      value={state.answer ? textOf(state.answer.value) : ''}
      onChange={(value) => {
        if (!locked) void give(value || null);
      }}
    />
  );
}
