import { readMinute, sayMinute } from '@ant-trail/core/calendar';
import {
  useController,
  type Control,
  type FieldError,
  type FieldPath,
  type FieldValues,
} from 'react-hook-form';
import { Input, type InputProps } from './input.tsx';
import { Pick, type PickProps } from './pick.tsx';
import { DayField, TimeField, WRITE_A_TIME } from './when.tsx';

/** A field of a form: what is wrong with it stands below it once somebody tried to send the form. */
interface OfForm<Values extends FieldValues, Sent> {
  readonly control: Control<Values, unknown, Sent>;
  readonly name: FieldPath<Values>;
  readonly label: string;
}

/** What a rule of the form says itself; of a value that is none the schema says nothing a person reads. */
const sayWrong = (error: FieldError | undefined, none: string): string | undefined =>
  error && (error.type === 'custom' ? error.message : none);

/** Words in a form. */
export function FormInput<Values extends FieldValues, Sent>({
  control,
  name,
  ...input
}: OfForm<Values, Sent> & Omit<InputProps, 'value' | 'onChange' | 'problem'>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Input
      {...input}
      value={field.value ?? ''}
      onChange={field.onChange}
      problem={fieldState.error?.message}
    />
  );
}

type OwnPick = Omit<PickProps, 'value' | 'onChange' | 'problem'> & {
  readonly read?: (value: string) => unknown;
};

/** One of a few in a form; `read` makes of the choice what the form keeps. */
export function FormPick<Values extends FieldValues, Sent>({
  control,
  name,
  read = (value) => value,
  ...pick
}: OfForm<Values, Sent> & OwnPick) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Pick
      {...pick}
      value={String(field.value ?? '')}
      onChange={(value) => field.onChange(read(value))}
      problem={fieldState.error?.message}
    />
  );
}

/** A day in a form. */
export function FormDay<Values extends FieldValues, Sent>(props: OfForm<Values, Sent>) {
  const { field, fieldState } = useController(props);
  return (
    <DayField
      label={props.label}
      value={field.value ?? ''}
      onChange={field.onChange}
      problem={sayWrong(fieldState.error, 'Give the day.')}
    />
  );
}

/** A time of day in a form, kept as minutes since midnight; null for none. */
export function FormTime<Values extends FieldValues, Sent>(props: OfForm<Values, Sent>) {
  const { field, fieldState } = useController(props);
  return (
    <TimeField
      label={props.label}
      value={Number.isFinite(field.value) ? sayMinute(field.value) : ''}
      // What is no time must not be sent for one, nor for none.
      onChange={(text) => field.onChange(text ? (readMinute(text) ?? Number.NaN) : null)}
      problem={sayWrong(fieldState.error, WRITE_A_TIME)}
    />
  );
}
