import { ManyJobs, ManyJobsMade } from '@ant-trail/contract/planning/desk';
import { TemplatesAnswer } from '@ant-trail/contract/templates';
import { may } from '@ant-trail/core/accounts';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FormDay, FormInput, FormPick, FormTime } from '@/design/form-fields.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { FormPerson } from '@/features/accounts/desk/form-person.tsx';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { FindTemplate } from './find-template.tsx';

export interface MakeManyProps {
  /** Places, or things at their places. */
  readonly at: ManyJobs['at'];
  readonly onDone: () => void;
}

const LENGTHS = [5, 10, 15, 20, 30, 45, 60, 90, 120];

/** The same work at everything that was chosen in a list. */
export function MakeMany({ at, onDone }: MakeManyProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button dense onPress={() => setOpen(true)}>
        Make jobs there …
      </Button>
      {open ? <MakeManyDialog at={at} onClose={() => setOpen(false)} onDone={onDone} /> : null}
    </>
  );
}

function MakeManyDialog({ at, onClose, onDone }: MakeManyProps & { readonly onClose: () => void }) {
  const { organisation } = useMe();
  const { day } = useNow(organisation.timeZone);
  const people = usePeople();
  const templates =
    useOffice(TemplatesAnswer, '/api/templates', ['template']).answer?.templates ?? [];
  const [problem, setProblem] = useState<string | null>(null);
  const { control, handleSubmit, setValue, formState } = useForm<ManyJobs>({
    resolver: zodResolver(ManyJobs),
    defaultValues: {
      ...{ at, template: '', title: '', instructions: '', day, start: 8 * 60, minutes: 30 },
      person: null,
    },
  });
  const places = new Set(at.map(({ site }) => site)).size;
  const save = handleSubmit(
    async (draft) => {
      try {
        await ask(ManyJobsMade, 'POST', '/api/jobs/many', draft);
        onClose();
        onDone();
      } catch (error) {
        setProblem(wordsFor(error));
      }
    },
    ({ at: where }) => setProblem(where?.root?.message ?? where?.message ?? null),
  );
  const walkers = people.list.filter(({ roles }) => may(roles, 'walk'));
  return (
    <Dialog
      title={places === 1 ? 'A job at one place' : `A job at each of ${places} places`}
      onClose={onClose}
    >
      <Column gap="$3">
        <Controller
          control={control}
          name="template"
          render={({ field }) => (
            <FindTemplate
              label="Sheet"
              templates={templates}
              chosen={field.value}
              onChoose={(value) => {
                field.onChange(value ?? '');
                const chosen = templates.find((each) => each.template === value);
                if (chosen) setValue('title', chosen.body.title);
              }}
              problem={formState.errors.template && 'Choose the sheet to fill in.'}
            />
          )}
        />
        <FormInput {...{ control, name: 'title', label: 'Job title' }} />
        <FormInput {...{ control, name: 'instructions', label: 'Instructions' }} lines={2} />
        <Row gap="$3" flexWrap="wrap" alignItems="flex-start">
          <FormDay {...{ control, name: 'day', label: 'Day' }} />
          <FormTime {...{ control, name: 'start', label: 'Start' }} />
          <FormPick
            {...{ control, name: 'minutes', label: 'Length of each' }}
            read={Number}
            options={LENGTHS.map((minutes) => ({
              ...{ value: String(minutes), label: `${minutes} min` },
            }))}
          />
        </Row>
        <FormPerson
          {...{ control, name: 'person' }}
          label="Person"
          empty="Nobody yet"
          people={walkers}
        />
        <Body small quiet>
          One person goes to them one after the other. A place has a sheet for each thing chosen
          there.
        </Body>
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={() => save()} disabled={formState.isSubmitting}>
          Make them
        </Button>
      </Column>
    </Dialog>
  );
}
