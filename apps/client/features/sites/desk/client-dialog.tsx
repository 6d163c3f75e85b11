import { zodResolver } from '@hookform/resolvers/zod';
import { Client, ClientDraft } from '@ant-trail/contract/sites';
import { useRouter } from 'expo-router';
import { useState, type ComponentType } from 'react';
import { Controller, useForm } from 'react-hook-form';
import type { z } from 'zod';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FormInput } from '@/design/form-fields.tsx';
import { Notice } from '@/design/notice.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { DemandsFields } from '@/features/accounts/desk/demands-fields.tsx';
import { FactsFields } from '@/features/fields/desk/facts-fields.tsx';
import { useFacts } from '@/features/fields/desk/use-facts.ts';
import { useOwnFields } from '@/features/fields/desk/use-own-fields.ts';
import { ContactFields } from './contact-fields.tsx';

export type RulesOfClient = ComponentType<{ client: Client; mayKeep: boolean }>;

export interface ClientDialogProps {
  readonly client: Client | null;
  readonly mayKeep: boolean;
  /** What follows the work for it. */
  readonly Rules: RulesOfClient;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

const EMPTY: ClientDraft = { name: '', number: '', address: '', contacts: [], note: '' };

const TEXTS = [
  { name: 'name', label: 'Name' },
  { name: 'number', label: 'Number in your books' },
  { name: 'address', label: 'Address for bills and letters' },
] as const;

/** Adds a client or changes one. */
export function ClientDialog({ client, mayKeep, Rules, onClose, onSaved }: ClientDialogProps) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const { name, number, address, contacts, note } = client ?? EMPTY;
  const { control, handleSubmit, formState } = useForm<
    z.input<typeof ClientDraft>,
    unknown,
    ClientDraft
  >({
    resolver: zodResolver(ClientDraft),
    defaultValues: { name, number, address, contacts, note, demands: client?.demands ?? {} },
  });
  const { fields } = useOwnFields('client');
  const written = useFacts(client?.own ?? {});
  const save = handleSubmit(async (said) => {
    if (!written.settle()) return;
    const draft = { ...said, own: written.facts };
    try {
      if (client) await ask(Client, 'PUT', `/api/clients/${client.id}`, draft);
      else await ask(Client, 'POST', '/api/clients', draft);
      onSaved();
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  });
  return (
    <Dialog title={client?.name ?? 'A new client'} onClose={onClose} width={620}>
      <Column gap="$3">
        {TEXTS.map((text) => (
          <FormInput key={text.name} {...{ control, ...text }} />
        ))}
        <ContactFields control={control} />
        <FactsFields {...{ fields, written }} />
        <FormInput {...{ control, name: 'note', label: 'Note' }} lines={3} />
        <Controller
          control={control}
          name="demands"
          render={({ field }) => (
            <DemandsFields demands={field.value ?? {}} onChange={field.onChange} />
          )}
        />
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        {mayKeep ? (
          <Button main onPress={() => save()} disabled={formState.isSubmitting}>
            Save
          </Button>
        ) : null}
        {client ? <Rules {...{ client, mayKeep }} /> : null}
        {client && client.places > 0 ? (
          <Button
            dense
            onPress={() => router.navigate(`/places?text=${encodeURIComponent(client.name)}`)}
          >
            {client.places === 1 ? 'Its place' : `Its ${client.places} places`}
          </Button>
        ) : null}
      </Column>
    </Dialog>
  );
}
