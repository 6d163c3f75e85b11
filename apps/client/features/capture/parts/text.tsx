import { isTimeOfDay, textOf } from '@ant-trail/core/sheet';
import { DayField, TimeField } from '@/design/when.tsx';
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

/** A day or a time of day. */
export function DatePart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const Field = state.question.kind === 'time' ? TimeField : DayField;
  return (
    <Field
      label={state.question.label}
      hideLabel
      value={state.answer ? textOf(state.answer.value) : ''}
      onChange={(value) => {
        // What is no time says so in its field, and is no answer.
        const isNone = state.question.kind === 'time' && value !== '' && !isTimeOfDay(value);
        if (!locked && !isNone) void give(value || null);
      }}
    />
  );
}
