import { readTimeOfDay, sayMinute } from '@ant-trail/core/calendar';
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Input, type InputProps } from './input.tsx';
import { Pick, type PickProps } from './pick.tsx';
import { DayField, TimeField, WRITE_A_TIME } from './when.tsx';

/** A field of a form: what is wrong with it stands below it once somebody tried to send the form. */
interface OfForm<Values extends FieldValues, Sent> {
  readonly control: Control<Values, unknown, Sent>;
  readonly name: FieldPath<Values>;
  readonly label: string;
  /** Said in the place of what the schema says. */
  readonly wrong?: string;
}

type OwnInput = Omit<InputProps, 'value' | 'onChange' | 'problem' | 'label'>;

/** Words in a form. */
export function FormInput<Values extends FieldValues, Sent>({
  control,
  name,
  wrong,
  ...input
}: OfForm<Values, Sent> & OwnInput) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState: { error } }) => (
        <Input
          {...input}
          value={field.value ?? ''}
          onChange={field.onChange}
          problem={error && (wrong ?? error.message)}
        />
      )}
    />
  );
}

interface OwnPick {
  readonly options: PickProps['options'];
  readonly read?: (value: string) => unknown;
}

/** One of a few in a form; `read` makes of the choice what the form keeps. */
export function FormPick<Values extends FieldValues, Sent>({
  control,
  name,
  wrong,
  read = (value) => value,
  ...pick
}: OfForm<Values, Sent> & OwnPick) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState: { error } }) => (
        <Pick
          {...pick}
          value={String(field.value ?? '')}
          onChange={(value) => field.onChange(read(value))}
          problem={error && (wrong ?? error.message)}
        />
      )}
    />
  );
}

/** A day in a form. */
export function FormDay<Values extends FieldValues, Sent>({
  control,
  name,
  wrong = 'Give the day.',
  label,
}: OfForm<Values, Sent>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState: { error } }) => (
        <DayField
          label={label}
          value={field.value ?? ''}
          onChange={field.onChange}
          problem={error && wrong}
        />
      )}
    />
  );
}

/** A time of day in a form, kept as minutes since midnight; null for none. */
export function FormTime<Values extends FieldValues, Sent>({
  control,
  name,
  wrong,
  label,
}: OfForm<Values, Sent>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState: { error } }) => (
        <TimeField
          label={label}
          value={Number.isFinite(field.value) ? sayMinute(field.value) : ''}
          // What is no time must not be sent for one, nor for none.
          onChange={(text) => field.onChange(text ? (minuteOf(text) ?? Number.NaN) : null)}
          problem={error && (error.type === 'custom' ? error.message : (wrong ?? WRITE_A_TIME))}
        />
      )}
    />
  );
}

/** Minutes since midnight of a time as people write it; null where it is none. */
export function minuteOf(text: string): number | null {
  const [hours, minutes] = (readTimeOfDay(text) ?? '').split(':').map(Number);
  return hours === undefined || minutes === undefined ? null : hours * 60 + minutes;
}
