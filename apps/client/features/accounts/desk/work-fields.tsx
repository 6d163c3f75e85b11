import type { PersonDraft } from '@ant-trail/contract/accounts';
import { Controller, useFieldArray, type Control } from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FormDay, FormInput, FormPick, FormTime } from '@/design/form-fields.tsx';
import { Input } from '@/design/input.tsx';
import { MeasureFields } from '@/design/measure-fields.tsx';
import { NamesField } from '@/design/names-field.tsx';
import { Body, Heading } from '@/design/text.tsx';

type Of = { readonly control: Control<PersonDraft> };

const WEEKDAYS = [
  ...['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'],
].map((label, index) => ({ value: String(index + 1), label }));

/** What somebody can do, when they are there, and what they drive. */
export function WorkFields({ control }: Of) {
  return (
    <Column gap="$3">
      <Heading>Work</Heading>
      <Controller
        control={control}
        name="skills"
        render={({ field, fieldState }) => (
          <NamesField
            label="Skills, between commas"
            names={field.value ?? []}
            onChange={field.onChange}
            problem={fieldState.error && 'One of these is too long.'}
          />
        )}
      />
      <Hours control={control} />
      <Absences control={control} />
      <VehicleFields control={control} />
    </Column>
  );
}

function Hours({ control }: Of) {
  const { fields, append, remove } = useFieldArray({ control, name: 'hours' });
  const week = (): void =>
    append([1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: 8 * 60, to: 17 * 60 })));
  return (
    <Column gap="$2">
      <Body small strong>
        Working hours
      </Body>
      {fields.length === 0 ? (
        <Body small quiet>
          Not said: any hour counts as good.
        </Body>
      ) : null}
      {fields.map((line, index) => (
        <Row key={line.id} gap="$2" flexWrap="wrap" alignItems="flex-end">
          <FormPick
            {...{ control, name: `hours.${index}.weekday`, label: `Day ${index + 1}` }}
            read={Number}
            options={WEEKDAYS}
          />
          <FormTime {...{ control, name: `hours.${index}.from`, label: 'From' }} />
          <FormTime {...{ control, name: `hours.${index}.to`, label: 'To' }} />
          <Button dense plain label={`Remove hours ${index + 1}`} onPress={() => remove(index)}>
            Remove
          </Button>
        </Row>
      ))}
      <Row gap="$2" flexWrap="wrap">
        {fields.length === 0 ? (
          <Button dense onPress={week}>
            Monday to Friday, 8 to 17
          </Button>
        ) : null}
        <Button dense onPress={() => append({ weekday: 1, from: 8 * 60, to: 17 * 60 })}>
          Add hours
        </Button>
      </Row>
    </Column>
  );
}

function Absences({ control }: Of) {
  const { fields, append, remove } = useFieldArray({ control, name: 'absences' });
  return (
    <Column gap="$2">
      <Body small strong>
        Away
      </Body>
      {fields.map((line, index) => (
        <Row key={line.id} gap="$2" flexWrap="wrap" alignItems="flex-end">
          <FormDay {...{ control, name: `absences.${index}.from`, label: 'First day' }} />
          <FormDay {...{ control, name: `absences.${index}.to`, label: 'Last day' }} />
          <Column flex={1} minWidth={100}>
            <FormInput {...{ control, name: `absences.${index}.why`, label: 'Why' }} />
          </Column>
          <Button dense plain label={`Remove days ${index + 1}`} onPress={() => remove(index)}>
            Remove
          </Button>
        </Row>
      ))}
      <Row>
        <Button dense onPress={() => append({ from: '', to: '', why: '' })}>
          Add days away
        </Button>
      </Row>
    </Column>
  );
}

function VehicleFields({ control }: Of) {
  return (
    <Controller
      control={control}
      name="vehicle"
      render={({ field }) => {
        const { name, holds } = field.value ?? { name: '', holds: [] };
        const change = (next: { name: string; holds: { what: string; most: number }[] }): void =>
          field.onChange(next.name === '' && next.holds.length === 0 ? null : next);
        return (
          <Column gap="$2">
            <Input
              label="Vehicle"
              value={name}
              onChange={(text) => change({ name: text, holds })}
              problem={
                holds.length > 0 && !name.trim() ? 'Say what the vehicle is called.' : undefined
              }
            />
            <MeasureFields
              label="What it holds"
              number="At most"
              rows={holds.map(({ what, most }) => ({ what, count: most }))}
              mayAdd={name !== ''}
              onChange={(rows) =>
                change({ name, holds: rows.map(({ what, count }) => ({ what, most: count })) })
              }
            />
          </Column>
        );
      }}
    />
  );
}
