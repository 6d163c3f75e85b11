import { zodResolver } from '@hookform/resolvers/zod';
import { Person } from '@ant-trail/contract/accounts';
import { JobCard, JobDraft } from '@ant-trail/contract/planning';
import type { Site } from '@ant-trail/contract/sites';
import { TemplatesAnswer } from '@ant-trail/contract/templates';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Pick } from '@/design/pick.tsx';
import { DayField, TimeField } from '@/design/when.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
import type { NamedPerson } from '@/features/accounts/desk/use-people.ts';
import { FindSite } from '@/features/sites/desk/find-site.tsx';
import { FindTemplate } from './find-template.tsx';
import { MoreOfJob } from './more-of-job.tsx';
import { readMinute, writeMinute } from './time-of-day.ts';

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
      recipients: [],
    },
  });
  const { control, formState } = form;
  const [person, template] = useWatch({ control, name: ['person', 'template'] });
  const programmes = templates.find((each) => each.template === template)?.body.programmes ?? [];
  const chosen = useOffice(Person, person ? `/api/people/${person}` : null, ['person']).answer;
  const expired = chosen?.credentials.filter((credential) => credential.expiresOn < day);
  const save = form.handleSubmit(async (draft) => {
    try {
      await ask(JobCard, 'POST', '/api/jobs', draft);
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
        {site?.hazards.map((hazard) => (
          <Notice key={hazard} tone="eyes" mark="needs eyes">
            {hazard}
          </Notice>
        ))}
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
          <Controller
            control={control}
            name="programme"
            render={({ field }) => (
              <Pick
                label="Programme"
                value={field.value ?? ''}
                onChange={(value) => field.onChange(value || undefined)}
                options={[
                  { value: '', label: 'None' },
                  ...programmes.map(({ key, name }) => ({ value: key, label: name })),
                ]}
              />
            )}
          />
        ) : null}
        <Controller
          control={control}
          name="title"
          render={({ field }) => (
            <Input
              label="Called"
              value={field.value}
              onChange={field.onChange}
              problem={errors.title?.message}
            />
          )}
        />
        <Controller
          control={control}
          name="instructions"
          render={({ field }) => (
            <Input label="Instructions" lines={2} value={field.value} onChange={field.onChange} />
          )}
        />
        <Row gap="$3" flexWrap="wrap" alignItems="flex-start">
          <Controller
            control={control}
            name="day"
            render={({ field }) => (
              <DayField label="Day" value={field.value} onChange={field.onChange} />
            )}
          />
          <TimeOf form={form} name="start" label="Start" />
          <Controller
            control={control}
            name="minutes"
            render={({ field }) => (
              <Pick
                label="Length"
                value={String(field.value)}
                onChange={(value) => field.onChange(Number(value))}
                options={LENGTHS.map((minutes) => ({
                  value: String(minutes),
                  label: `${minutes} min`,
                }))}
              />
            )}
          />
        </Row>
        <Row gap="$3" flexWrap="wrap" alignItems="flex-start">
          <TimeOf form={form} name="windowFrom" label="Not before" />
          <TimeOf form={form} name="windowTo" label="Not after" />
          <Controller
            control={control}
            name="person"
            render={({ field }) => (
              <FindPerson
                label="Person"
                empty="Nobody yet"
                people={people}
                chosen={field.value}
                onChoose={field.onChange}
              />
            )}
          />
        </Row>
        <MoreOfJob form={form} templates={templates} people={people} />
        {errors.windowTo ? (
          <Body small eyes role="alert">
            {errors.windowTo.message}
          </Body>
        ) : null}
        {expired?.map((credential) => (
          <Notice key={credential.id} tone="eyes" mark="needs eyes">
            {credential.kind} {credential.number} will have expired by then.
          </Notice>
        ))}
        <Controller
          control={control}
          name="recipients"
          render={({ field }) => (
            <Input
              label="Report goes to (e-mail, separated by commas)"
              value={field.value.join(', ')}
              onChange={(text) => field.onChange(text ? text.split(/[,\s]+/) : [])}
              onLeave={() => field.onChange(field.value.filter(Boolean))}
              problem={errors.recipients && 'One of these is not an e-mail address.'}
            />
          )}
        />
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

interface TimeOfProps {
  readonly form: ReturnType<typeof useForm<JobDraft>>;
  readonly name: 'start' | 'windowFrom' | 'windowTo';
  readonly label: string;
}

function TimeOf({ form, name, label }: TimeOfProps) {
  return (
    <Controller
      control={form.control}
      name={name}
      render={({ field }) => (
        <TimeField
          label={label}

          value={writeMinute(field.value)}
          onChange={(text) => field.onChange(readMinute(text))}
        />
      )}
    />
  );
}
