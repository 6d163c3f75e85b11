import { zodResolver } from '@hookform/resolvers/zod';
import { Site, SiteDraft } from '@ant-trail/contract/sites';
import { useState } from 'react';
import { useForm, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FormInput } from '@/design/form-fields.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useMe } from '@/features/accounts/session.ts';
import { FactsFields } from '@/features/fields/desk/facts-fields.tsx';
import { useFacts } from '@/features/fields/desk/use-facts.ts';
import { useOwnFields } from '@/features/fields/desk/use-own-fields.ts';
import { BranchOfSite } from './branch-of-site.tsx';
import { HazardFields } from './hazard-fields.tsx';
import { RadiusField } from './radius-field.tsx';
import { ToldFromField } from './told-from-field.tsx';
import { ContactFields } from './contact-fields.tsx';

export interface SiteDialogProps {
  readonly site: Site | null;
  readonly onClose: () => void;
  readonly onSaved: (site: Site) => void;
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
  hazardEnds: [],
  radius: null,
  owner: '',
};

const HAZARD_WRONG = 'A hazard is a short sentence, at most 12 of them.';

const TEXTS = [
  { name: 'name', label: 'Name' },
  { name: 'client', label: 'Client' },
  { name: 'owner', label: 'Owner, where that is somebody else' },
  { name: 'number', label: 'The client’s number for it' },
  { name: 'address', label: 'Address' },
  { name: 'access', label: 'Getting in' },
] as const;

/** Adds a place or changes one. */
export function SiteDialog({ site, onClose, onSaved }: SiteDialogProps) {
  const { branch } = useMe();
  const [problem, setProblem] = useState<string | null>(null);
  const form = useForm<Written, unknown, SiteDraft>({
    resolver: zodResolver(SiteDraft),
    defaultValues: site ?? { ...EMPTY, branch: branch.id },
  });
  const { control, formState } = form;
  const { errors } = formState;
  const { fields } = useOwnFields('place');
  const written = useFacts(site?.own ?? {});
  const save = form.handleSubmit(async (said) => {
    if (!written.settle()) return;
    const draft = { ...said, own: written.facts };
    try {
      const saved = site
        ? await ask(Site, 'PUT', `/api/sites/${site.id}`, draft)
        : await ask(Site, 'POST', '/api/sites', draft);
      onClose();
      onSaved(saved);
    } catch (error) {
      setProblem(wordsFor(error));
    }
  });
  return (
    <Dialog title={site?.name ?? 'A new place'} onClose={onClose} width={620}>
      <Column gap="$3">
        {site ? (
          <ToldFromField
            site={site}
            onSame={(known) => {
              onClose();
              onSaved(known);
            }}
          />
        ) : null}
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
        <HazardFields control={control} problem={errors.hazards && HAZARD_WRONG} />
        <RadiusField control={control} />
        <BranchOfSite control={control} />
        <FactsFields {...{ fields, written }} />
        <ContactFields control={control} />
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={() => save()} disabled={formState.isSubmitting}>
          Save
        </Button>
        {site ? (
          <Button
            dense
            onPress={() =>
              void ask(Site, 'PUT', `/api/sites/${site.id}/retired`, {
                retired: !site.retired,
              }).then(
                (saved) => {
                  onClose();
                  onSaved(saved);
                },
                (error: unknown) => setProblem(wordsFor(error)),
              )
            }
          >
            {site.retired ? 'Take into use again' : 'Retire: nothing more is planned here'}
          </Button>
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
