import { hazardsOn } from '@ant-trail/core/planning';
import { zodResolver } from '@hookform/resolvers/zod';
import { JobCard } from '@ant-trail/contract/planning';
import { JobDraft } from '@ant-trail/contract/planning/desk';
import type { Site } from '@ant-trail/contract/sites';
import { TemplatesAnswer } from '@ant-trail/contract/templates';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FormDay, FormInput, FormPick, FormTime } from '@/design/form-fields.tsx';
import { Hazards } from '@/design/hazards.tsx';
import { Notice } from '@/design/notice.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { FormPerson } from '@/features/accounts/desk/form-person.tsx';
import type { NamedPerson } from '@/features/accounts/desk/use-people.ts';
import { FactsFields } from '@/features/fields/desk/facts-fields.tsx';
import { useFacts } from '@/features/fields/desk/use-facts.ts';
import { useOwnFields } from '@/features/fields/desk/use-own-fields.ts';
import { FindSite } from '@/features/sites/desk/find-site.tsx';
import { FindTemplate } from './find-template.tsx';
import { WordsForEach } from './words-for-each.tsx';
import { FormRecipients } from './form-recipients.tsx';
import { MoreOfJob } from './more-of-job.tsx';
import { Suiting } from './suiting.tsx';

export interface JobDialogProps {
  readonly day: string;
  readonly people: readonly NamedPerson[];
  readonly onClose: () => void;
}

const LENGTHS = [15, 20, 30, 45, 60, 90, 120, 180, 240];

/** Makes a job: place, template, instructions, time, person. */
export function JobDialog({ day, people, onClose }: JobDialogProps) {
  const templates =
    useOffice(TemplatesAnswer, '/api/templates', ['template']).answer?.templates ?? [];
  const [problem, setProblem] = useState<string | null>(null);
  const [site, setSite] = useState<Site | null>(null);
  const form = useForm<JobDraft>({
    resolver: zodResolver(JobDraft),
    defaultValues: {
      site: '',
      template: '',
      title: '',
      instructions: '',
      day,
      windowFrom: null,
      windowTo: null,
      start: 9 * 60,
      minutes: 45,
      person: null,
      ...{ recipients: [], words: {} },
    },
  });
  const { control, formState } = form;
  const [person, template, moreSheets, helpers, on, start, minutes] = useWatch({
    control,
    name: ['person', 'template', 'moreSheets', 'helpers', 'day', 'start', 'minutes'],
  });
  const programmes = templates.find((each) => each.template === template)?.body.programmes ?? [];
  const sheets = [template, ...(moreSheets ?? []).map((each) => each.template)].filter(Boolean);
  const { fields } = useOwnFields('job');
  const written = useFacts({});
  const save = form.handleSubmit(async (draft) => {
    if (!written.settle()) return;
    try {
      const { words = {}, ...job } = draft;
      await ask(JobCard, 'POST', '/api/jobs', {
        ...{ ...job, own: written.facts },
        // Of somebody who gets it no more nothing is left.
        words: Object.fromEntries(
          Object.entries(words).filter(([each, text]) => text && job.recipients.includes(each)),
        ),
      });
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  });
  const { errors } = formState;
  return (
    <Dialog title="New job" onClose={onClose} width={620}>
      <Column gap="$3">
        <Controller
          control={control}
          name="site"
          render={({ field }) => (
            <FindSite
              label="Place"
              chosen={site}
              onChoose={(place) => {
                setSite(place);
                field.onChange(place?.id ?? '');
                form.setValue(
                  'recipients',
                  place?.contacts.map((c) => c.email).filter(Boolean) ?? [],
                );
                // Things belong to a place.
                form.setValue(
                  'moreSheets',
                  form.getValues('moreSheets')?.map((each) => ({ ...each, asset: null })),
                );
              }}
              problem={errors.site && 'Choose the place.'}
            />
          )}
        />
        {site && on ? <Hazards hazards={hazardsOn(site, on)} /> : null}
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
                if (chosen) form.setValue('title', chosen.body.title);
                form.setValue('programme', undefined);
              }}
              problem={errors.template && 'Choose the sheet to fill in.'}
            />
          )}
        />
        {programmes.length > 0 ? (
          <FormPick
            {...{ control, name: 'programme', label: 'Programme' }}
            read={(value) => value || undefined}
            options={[
              { value: '', label: 'None' },
              ...programmes.map(({ key, name }) => ({ value: key, label: name })),
            ]}
          />
        ) : null}
        <FormInput {...{ control, name: 'title', label: 'Job title' }} />
        <FormInput {...{ control, name: 'instructions', label: 'Instructions' }} lines={2} />
        <Row gap="$3" flexWrap="wrap" alignItems="flex-start">
          <FormDay {...{ control, name: 'day', label: 'Day' }} />
          <FormTime {...{ control, name: 'start', label: 'Start' }} />
          <FormPick
            {...{ control, name: 'minutes', label: 'Length' }}
            read={Number}
            options={LENGTHS.map((minutes) => ({
              ...{ value: String(minutes), label: `${minutes} min` },
            }))}
          />
        </Row>
        <Row gap="$3" flexWrap="wrap" alignItems="flex-start">
          <FormTime {...{ control, name: 'windowFrom', label: 'Not before' }} />
          <FormTime {...{ control, name: 'windowTo', label: 'Not after' }} />
          <FormPerson
            {...{ control, name: 'person' }}
            label="Person"
            empty="Nobody yet"
            people={people}
          />
        </Row>
        <Suiting
          chosen={[person, ...(helpers ?? [])]}
          asked={
            site && on && Number.isFinite(start)
              ? { site: site.id, templates: sheets.join(), day: on, start, minutes }
              : null
          }
        />
        <FactsFields {...{ fields, written }} />
        <MoreOfJob form={form} templates={templates} people={people} />
        <FormRecipients
          {...{
            control,
            name: 'recipients',
            label: 'Report goes to (e-mail, separated by commas)',
          }}
        />
        <WordsForEach control={control} />
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={() => save()} disabled={formState.isSubmitting}>
          Make the job
        </Button>
      </Column>
    </Dialog>
  );
}
