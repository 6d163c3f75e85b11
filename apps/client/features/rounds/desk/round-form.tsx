import { Round, RoundDraft, type RoundDetails } from '@ant-trail/contract/rounds';
import { TemplatesAnswer } from '@ant-trail/contract/templates';
import { may } from '@ant-trail/core/accounts';
import { ON_HOLIDAYS } from '@ant-trail/core/rounds';
import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Dots } from '@/design/dots.tsx';
import { FormDay, FormInput, FormPick, FormTime } from '@/design/form-fields.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { FormPerson } from '@/features/accounts/desk/form-person.tsx';
import { usePeople, useReaders } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { FormRecipients } from '@/features/planning/desk/form-recipients.tsx';
import { DaysAhead } from './days-ahead.tsx';
import { HOLIDAY_WORDS } from './holiday-words.ts';
import { RhythmField } from './rhythm-field.tsx';
import { RoundSaid } from './round-said.tsx';
import { StopsField } from './stops-field.tsx';
import { Walks } from './walks.tsx';

function draftOf(details: RoundDetails | null, today: string): RoundDraft {
  if (!details)
    return {
      ...{ name: '', rule: '', begins: today, without: [], besides: [], onHolidays: 'as ever' },
      ...{ start: 8 * 60, person: null, instructions: '', recipients: [], reader: null, stops: [] },
    };
  const { round } = details;
  const { name, rule, begins, without, besides, onHolidays, start, person } = round;
  const { instructions, recipients, reader, stops } = round;
  return {
    ...{ name, rule, begins, without, besides, onHolidays, start, person },
    ...{ instructions, recipients, reader, stops },
  };
}

/** Says a round, or changes it; beside it stand its days and what came of them. */
export function RoundForm({ details }: { details: RoundDetails | null }) {
  const { person: me, organisation } = useMe();
  const { day: today } = useNow(organisation.timeZone);
  const router = useRouter();
  const people = usePeople();
  const readers = useReaders();
  const templates =
    useOffice(TemplatesAnswer, '/api/templates', ['template']).answer?.templates ?? [];
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const plans = may(me.roles, 'plan');
  // The edition somebody has before them: another's change in between is not written over unseen.
  const [seen, setSeen] = useState(details?.round.edition ?? 0);
  const form = useForm<RoundDraft>({
    resolver: zodResolver(RoundDraft),
    defaultValues: draftOf(details, today),
    ...(details
      ? { values: draftOf(details, today), resetOptions: { keepDirtyValues: true } }
      : {}),
  });
  const { control, formState, setValue } = form;
  const { errors } = formState;
  const [rule, begins, without, besides, onHolidays] = useWatch({
    control,
    name: ['rule', 'begins', 'without', 'besides', 'onHolidays'],
  });
  const round = details?.round ?? null;
  const save = form.handleSubmit(
    async (draft) => {
      try {
        const saved = round
          ? await ask(Round, 'PUT', `/api/rounds/${round.id}`, { ...draft, after: seen })
          : await ask(Round, 'POST', '/api/rounds', draft);
        setProblem(null);
        setKept(true);
        setSeen(saved.edition);
        form.reset(draft);
        if (!round) router.replace(`/rounds/${saved.id}`);
      } catch (error) {
        setProblem(wordsFor(error));
        // Once it was said, what is here by now has been seen.
        if (round) setSeen(round.edition);
      }
    },
    () => setProblem('Something is missing: look at what is marked.'),
  );
  const retire = async (retired: boolean): Promise<void> => {
    try {
      await ask(Round, 'POST', `/api/rounds/${round?.id}/retirement`, { retired });
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const walkers = people.list.filter(({ roles }) => may(roles, 'walk'));
  const dirty = { shouldDirty: true };
  const fields = (
    <>
      <FormInput {...{ control, name: 'name', label: 'What the round is called' }} />
      <Controller
        control={control}
        name="rule"
        render={({ field }) => (
          <RhythmField
            rule={field.value}
            onChange={(to) => setValue('rule', to, dirty)}
            asked={errors.rule !== undefined}
          />
        )}
      />
      <Row gap="$3" flexWrap="wrap" alignItems="flex-start">
        <FormDay {...{ control, name: 'begins', label: 'From' }} />
        <FormTime {...{ control, name: 'start', label: 'Begins at' }} />
        <FormPick
          {...{ control, name: 'onHolidays', label: 'On holidays' }}
          options={ON_HOLIDAYS.map((value) => ({ value, label: HOLIDAY_WORDS[value] }))}
        />
      </Row>
      <FormPerson
        {...{ control, name: 'person' }}
        label="Who walks it"
        empty="Nobody yet"
        people={walkers}
      />
      <Controller
        control={control}
        name="stops"
        render={({ field }) => (
          <StopsField
            stops={field.value}
            templates={templates}
            mayChange
            onChange={field.onChange}
            problem={errors.stops && 'A round needs at least one stop.'}
          />
        )}
      />
      <FormInput {...{ control, name: 'instructions', label: 'Instructions' }} lines={2} />
      <FormPerson
        {...{ control, name: 'reader' }}
        label="Who reads what comes back"
        empty="Whoever comes to it"
        people={readers}
      />
      <FormRecipients
        {...{
          control,
          name: 'recipients',
          label: 'Reports go to (e-mail, separated by commas)',
        }}
      />
      {problem ? (
        <Notice tone="eyes" alert>
          {problem}
        </Notice>
      ) : null}
      <Row gap="$3">
        <Button main onPress={() => save()} disabled={formState.isSubmitting}>
          {round ? 'Save' : 'Begin the round'}
        </Button>
        {kept && !formState.isDirty ? <Body quiet>Saved.</Body> : null}
      </Row>
    </>
  );
  return (
    <DeskPage
      title={round?.name ?? 'New round'}
      about={round?.retired ? <Body quiet>retired</Body> : null}
      problem={round?.trouble ?? null}
      actions={
        <Row gap="$2">
          <Button dense plain onPress={() => router.navigate('/rounds')}>
            ‹ Rounds
          </Button>
          {round && plans ? (
            <Button dense onPress={() => retire(!round.retired)}>
              {round.retired ? 'Take into use again' : 'Retire'}
            </Button>
          ) : null}
        </Row>
      }
    >
      <Row gap="$6" alignItems="flex-start" flexWrap="wrap">
        <Column gap="$3" flexGrow={2} flexShrink={1} flexBasis={560} minWidth={280}>
          {plans ? fields : round ? <RoundSaid {...{ round, templates }} /> : null}
        </Column>
        <Column gap="$4" flexGrow={1} flexShrink={1} flexBasis={360} minWidth={280}>
          <DaysAhead
            rhythm={{ rule, begins: begins || today, without, besides, onHolidays }}
            today={today}
            mayChange={plans}
            onChange={(to) => {
              if (to.without) setValue('without', to.without, dirty);
              if (to.besides) setValue('besides', to.besides, dirty);
            }}
          />
          {details ? (
            <>
              <Dots />
              <Walks
                title="What came of it"
                nothing="No day of it has come yet."
                walks={details.walks.filter(({ day }) => day <= today)}
                older={details.older}
                today={today}
              />
              <Dots />
              <Walks
                title="Planned already"
                nothing="Nothing of it is planned yet; that takes a moment."
                walks={details.walks.filter(({ day }) => day > today).reverse()}
                today={today}
              />
            </>
          ) : null}
        </Column>
      </Row>
    </DeskPage>
  );
}
