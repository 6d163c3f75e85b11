import { sayMinute } from '@ant-trail/core/calendar';
import { isTimeOfDay, textOf } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { DayField, TimeField } from '@/design/when.tsx';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
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
  const { day, minute } = useNow(useMe().organisation.timeZone);
  const isTime = state.question.kind === 'time';
  const Field = isTime ? TimeField : DayField;
  return (
    <Row gap="$2" alignItems="center">
      <Column flex={1}>
        <Field
          label={state.question.label}
          hideLabel
          value={state.answer ? textOf(state.answer.value) : ''}
          onChange={(value) => {
            // What is no time says so in its field, and is no answer.
            const isNone = isTime && value !== '' && !isTimeOfDay(value);
            if (!locked && !isNone) void give(value || null);
          }}
        />
      </Column>
      {locked || state.answer ? null : (
        <Button
          dense
          label={`${isTime ? 'Now' : 'Today'} for ${state.question.label}`}
          onPress={() => give(isTime ? sayMinute(minute) : day)}
        >
          {isTime ? 'Now' : 'Today'}
        </Button>
      )}
    </Row>
  );
}
