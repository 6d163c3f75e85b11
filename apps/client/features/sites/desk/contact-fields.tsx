import type { Contact } from '@ant-trail/contract/sites';
import {
  useFieldArray,
  type ArrayPath,
  type Control,
  type FieldArray,
  type FieldPath,
  type FieldValues,
} from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FormInput } from '@/design/form-fields.tsx';

const EMPTY: Contact = { name: '', role: '', phone: '', email: '' };
const PARTS = ['name', 'role', 'phone', 'email'] as const;

/** People to call or write to, in a form of whom or what they belong to. */
export function ContactFields<Values extends FieldValues & { contacts: Contact[] }, Sent>({
  control,
}: {
  control: Control<Values, unknown, Sent>;
}) {
  const contacts = useFieldArray({ control, name: 'contacts' as ArrayPath<Values> });
  return (
    <>
      {contacts.fields.map((contact, index) => (
        <Row key={contact.id} gap="$2" flexWrap="wrap" alignItems="flex-start">
          {PARTS.map((part) => (
            <Column key={part} flex={1} minWidth={130}>
              <FormInput
                control={control}
                name={`contacts.${index}.${part}` as FieldPath<Values>}
                label={`Contact ${index + 1}, ${part === 'email' ? 'e-mail' : part}`}
              />
            </Column>
          ))}
          <Button dense onPress={() => contacts.remove(index)}>
            Remove
          </Button>
        </Row>
      ))}
      <Button dense onPress={() => contacts.append(EMPTY as FieldArray<Values, ArrayPath<Values>>)}>
        Add a contact
      </Button>
    </>
  );
}
