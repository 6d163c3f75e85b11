import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Input } from '@/design/input.tsx';

interface FormRecipientsProps<Values extends FieldValues, Sent> {
  readonly control: Control<Values, unknown, Sent>;
  readonly name: FieldPath<Values>;
  readonly label: string;
}

/** To whom reports go, in a form: addresses between commas. */
export function FormRecipients<Values extends FieldValues, Sent>({
  control,
  name,
  label,
}: FormRecipientsProps<Values, Sent>) {
  const { field, fieldState } = useController({ control, name });
  const addresses: readonly string[] = field.value;
  return (
    <Input
      label={label}
      value={addresses.join(', ')}
      onChange={(text) => field.onChange(text ? text.split(/[,\s]+/) : [])}
      onLeave={() => field.onChange(addresses.filter(Boolean))}
      problem={fieldState.error && 'One of these is not an e-mail address.'}
    />
  );
}
