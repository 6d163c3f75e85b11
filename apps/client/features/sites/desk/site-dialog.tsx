import { zodResolver } from '@hookform/resolvers/zod';
import { Site, SiteDraft } from '@ant-trail/contract/sites';
import { useState } from 'react';
import { Controller, useFieldArray, useForm, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Dots } from '@/design/dots.tsx';
import { FormInput } from '@/design/form-fields.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { RegisterList } from '@/features/register/desk/register-list.tsx';
import { SiteNotes } from './site-notes.tsx';

export interface SiteDialogProps {
  readonly site: Site | null;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

type Written = z.input<typeof SiteDraft>;

const EMPTY: SiteDraft = {
  name: '',
  client: '',
  number: '',
  address: '',
  lat: Number.NaN,
  lon: Number.NaN,
  access: '',
  hazards: [],
  contacts: [],
};

const TEXTS = [
  { name: 'name', label: 'Name' },
  { name: 'client', label: 'Client' },
  { name: 'number', label: 'The client’s number for it' },
  { name: 'address', label: 'Address' },
  { name: 'access', label: 'Getting in' },
] as const;

/** Adds a place or changes one. */
export function SiteDialog({ site, onClose, onSaved }: SiteDialogProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const form = useForm<Written, unknown, SiteDraft>({
    resolver: zodResolver(SiteDraft),
    defaultValues: site ?? EMPTY,
  });
  const { control, formState } = form;
  const contacts = useFieldArray({ control, name: 'contacts' });
  const { errors } = formState;
  const save = form.handleSubmit(async (draft) => {
    try {
      if (site) await ask(Site, 'PUT', `/api/sites/${site.id}`, draft);
      else await ask(Site, 'POST', '/api/sites', draft);
      onSaved();
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  });
  return (
    <Dialog title={site?.name ?? 'A new place'} onClose={onClose} width={620}>
      <Column gap="$3">
        {TEXTS.map(({ name, label }) => (
          <FormInput key={name} {...{ control, name, label }} lines={name === 'access' ? 2 : 1} />
        ))}
        <Row gap="$3" alignItems="flex-start">
          <Degrees
            form={form}
            name="lat"
            label="Latitude, degrees"
            problem={errors.lat && 'From −90 to 90.'}
          />
          <Degrees
            form={form}
            name="lon"
            label="Longitude, degrees"
            problem={errors.lon && 'From −180 to 180.'}
          />
        </Row>
        <Controller
          control={control}
          name="hazards"
          render={({ field }) => (
            <Input
              label="Hazards, seen before anyone sets out (one a line)"
              lines={3}
              value={field.value.join('\n')}
              onChange={(text) => field.onChange(text === '' ? [] : text.split('\n'))}
              onLeave={() => field.onChange(field.value.map((h) => h.trim()).filter(Boolean))}
              problem={errors.hazards && 'A hazard is a short sentence, at most 12 of them.'}
            />
          )}
        />
        {contacts.fields.map((contact, index) => (
          <Row key={contact.id} gap="$2" flexWrap="wrap" alignItems="flex-start">
            {(['name', 'role', 'phone', 'email'] as const).map((part) => (
              <Column key={part} flex={1} minWidth={130}>
                <FormInput
                  control={control}
                  name={`contacts.${index}.${part}`}
                  label={`Contact ${index + 1}, ${part === 'email' ? 'e-mail' : part}`}
                />
              </Column>
            ))}
            <Button dense onPress={() => contacts.remove(index)}>
              Remove
            </Button>
          </Row>
        ))}
        <Button dense onPress={() => contacts.append({ name: '', role: '', phone: '', email: '' })}>
          Add a contact
        </Button>
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={() => save()} disabled={formState.isSubmitting}>
          Save
        </Button>
        {site ? (
          <>
            <Button
              dense
              onPress={() =>
                void ask(Site, 'PUT', `/api/sites/${site.id}/retired`, {
                  retired: !site.retired,
                }).then(
                  () => {
                    onSaved();
                    onClose();
                  },
                  (error: unknown) => setProblem(wordsFor(error)),
                )
              }
            >
              {site.retired ? 'Take into use again' : 'Retire: nothing more is planned here'}
            </Button>
            <Dots />
            <SiteNotes site={site.id} />
            <Dots />
            <RegisterList site={site.id} />
          </>
        ) : null}
      </Column>
    </Dialog>
  );
}

interface DegreesProps {
  readonly form: UseFormReturn<Written, unknown, SiteDraft>;
  readonly name: 'lat' | 'lon';
  readonly label: string;
  readonly problem: string | undefined;
}

function Degrees({ form, name, label, problem }: DegreesProps) {
  const [text, setText] = useState(() => {
    const value = form.getValues(name);
    return Number.isNaN(value) ? '' : String(value);
  });
  return (
    <Column flex={1}>
      <Input
        label={label}
        kind="decimal"
        value={text}
        onChange={(typed) => {
          setText(typed);
          form.setValue(name, typed.trim() === '' ? Number.NaN : Number(typed.replace(',', '.')));
        }}
        problem={problem}
      />
    </Column>
  );
}
