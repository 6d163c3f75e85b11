import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { FindPerson, type FindPersonProps } from './find-person.tsx';

interface FormPersonProps<Values extends FieldValues, Sent> extends Omit<
  FindPersonProps,
  'chosen' | 'onChoose' | 'problem'
> {
  readonly control: Control<Values, unknown, Sent>;
  readonly name: FieldPath<Values>;
}

/** A person in a form; null for none. */
export function FormPerson<Values extends FieldValues, Sent>({
  control,
  name,
  ...find
}: FormPersonProps<Values, Sent>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <FindPerson
      {...find}
      chosen={field.value}
      onChoose={field.onChange}
      problem={fieldState.error?.message}
    />
  );
}
