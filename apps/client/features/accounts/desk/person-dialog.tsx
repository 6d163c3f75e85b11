import { zodResolver } from '@hookform/resolvers/zod';
import { ROLES } from '@ant-trail/core/accounts';
import { Person, PersonDraft, PersonSaved } from '@ant-trail/contract/accounts';
import { useEffect, useRef, useState, type ComponentType } from 'react';
import { Controller, useFieldArray, useForm, type Control } from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Lines } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Dots } from '@/design/dots.tsx';
import { FormDay, FormInput } from '@/design/form-fields.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useMe } from '../session.ts';
import { BranchesOf } from './branches.tsx';
import { WorkFields } from './work-fields.tsx';

export interface PersonDialogProps {
  readonly person: Person | null;
  /** Whether who looks may change anything. */
  readonly keeps: boolean;
  readonly onClose: () => void;
  readonly onSaved: () => void;
  /** Chooses a place: places are a capability of their own. */
  readonly StartsAt: ChoosePlace;
}

export type ChoosePlace = ComponentType<{
  site: string | null;
  onChange: (site: string | null) => void;
}>;

const EMPTY: PersonDraft = {
  ...{ name: '', email: '', phone: '', trade: '' },
  ...{ roles: ['technician'], credentials: [], skills: [], hours: [], absences: [] },
  ...{ startsAt: null, vehicle: null },
};

const draftOf = (person: Person): PersonDraft => ({
  ...{ name: person.name, email: person.email, phone: person.phone, trade: person.trade },
  ...{ roles: [...person.roles], skills: person.skills, hours: person.hours },
  ...{ absences: person.absences, startsAt: person.startsAt, vehicle: person.vehicle },
  branches: person.branches,
  credentials: person.credentials.map(({ kind, number, issuer, expiresOn }) => ({
    ...{ kind, number, issuer, expiresOn },
  })),
});

const TEXTS = [
  { name: 'name', label: 'Name', kind: 'text' },
  { name: 'email', label: 'E-mail address, to sign in with', kind: 'email' },
  { name: 'phone', label: 'Phone', kind: 'tel' },
  { name: 'trade', label: 'Trade', kind: 'text' },
] as const;

/** What each role is for, in the words of this office. */
const ROLE_WORDS = {
  manager: 'manager: plans the work',
  reviewer: 'reviewer: reads and approves sheets',
  technician: 'technician: has a trail',
  administrator: 'administrator: looks after people, places, templates',
} as const;

/** Adds a person, or changes one: what they may do, how they are reached, what they are certified for. */
export function PersonDialog(props: PersonDialogProps) {
  const { person, keeps, onClose, onSaved, StartsAt } = props;
  const me = useMe();
  const [problem, setProblem] = useState<string | null>(null);
  const [word, setWord] = useState<string | null>(null);
  const form = useForm<PersonDraft>({
    resolver: zodResolver(PersonDraft),
    // Somebody new works where they are added, until somebody says otherwise.
    defaultValues: person ? draftOf(person) : { ...EMPTY, branches: [me.branch.id] },
  });
  const { control, formState } = form;
  const { errors } = formState;
  const isOwn = person?.id === me.person.id;
  const administers = me.person.roles.includes('administrator');
  const tell = async (doing: () => Promise<string | null>): Promise<void> => {
    setProblem(null);
    try {
      const said = await doing();
      onSaved();
      if (said === null) onClose();
      else setWord(said);
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const save = form.handleSubmit((draft) =>
    tell(async () => {
      if (person) {
        await ask(Person, 'PUT', `/api/people/${person.id}`, draft);
        return null;
      }
      const saved = await ask(PersonSaved, 'POST', '/api/people', draft);
      return sayInvited(saved.person, saved.invited);
    }),
  );
  if (word !== null)
    return (
      <Dialog title={person?.name ?? 'A new person'} onClose={onClose} width={520}>
        <Column gap="$3">
          <Body>{word}</Body>
          <Button main onPress={onClose}>
            Good
          </Button>
        </Column>
      </Dialog>
    );
  return (
    <Dialog title={person?.name ?? 'A new person'} onClose={onClose} width={620}>
      <Column gap="$3">
        {TEXTS.map(({ name, label, kind }) => (
          <FormInput key={name} {...{ control, name, label, kind }} />
        ))}
        <Controller
          control={control}
          name="roles"
          render={({ field }) => (
            <Column gap="$1">
              <Body small strong>
                What they do here
              </Body>
              <Lines
                several
                label="What they do here"
                disabled={isOwn}
                options={ROLES.filter(
                  (role) => administers || role !== 'administrator' || field.value.includes(role),
                ).map((role) => ({ value: role, label: ROLE_WORDS[role] }))}
                chosen={field.value}
                onPress={(role) =>
                  field.onChange(
                    field.value.includes(role)
                      ? field.value.filter((each) => each !== role)
                      : [...field.value, role],
                  )
                }
              />
              {isOwn ? (
                <Body small quiet>
                  Your own roles are changed by a colleague.
                </Body>
              ) : null}
              {errors.roles ? (
                <Body small eyes role="alert">
                  {errors.roles.message}
                </Body>
              ) : null}
            </Column>
          )}
        />
        <Credentials control={control} />
        <WorkFields control={control} />
        <Controller
          control={control}
          name="startsAt"
          render={({ field }) => <StartsAt site={field.value ?? null} onChange={field.onChange} />}
        />
        <BranchesOf control={control} />
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        {keeps ? (
          <Button main onPress={() => save()} disabled={formState.isSubmitting}>
            {person ? 'Save' : 'Add and invite by mail'}
          </Button>
        ) : null}
        {person && keeps && !isOwn ? <Standing person={person} tell={tell} /> : null}
      </Column>
    </Dialog>
  );
}

const sayInvited = ({ name, email }: Person, invited: boolean): string =>
  invited
    ? `A letter is on its way to ${email}. ${name} chooses a password there.`
    : `${name} is added, but the letter to ${email} could not go out. Open them and send it again.`;

function Credentials({ control }: { control: Control<PersonDraft> }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'credentials' });
  return (
    <Column gap="$2">
      <Heading>Credentials</Heading>
      {fields.map((credential, index) => (
        <Row key={credential.id} gap="$2" flexWrap="wrap" alignItems="flex-start">
          {(['kind', 'number', 'issuer'] as const).map((part) => (
            <Column key={part} flex={1} minWidth={130}>
              <FormInput
                control={control}
                name={`credentials.${index}.${part}`}
                label={part === 'kind' ? 'What' : part === 'number' ? 'Number' : 'Issued by'}
              />
            </Column>
          ))}
          <FormDay control={control} name={`credentials.${index}.expiresOn`} label="Valid to" />
          <Button
            dense
            plain
            label={`Remove credential ${index + 1}`}
            onPress={() => remove(index)}
          >
            Remove
          </Button>
        </Row>
      ))}
      <Button dense onPress={() => append({ kind: '', number: '', issuer: '', expiresOn: '' })}>
        Add a credential
      </Button>
    </Column>
  );
}

interface StandingProps {
  readonly person: Person;
  readonly tell: (doing: () => Promise<string | null>) => Promise<void>;
}

/** Whether somebody is here: invited anew, retired, taken back. */
function Standing({ person, tell }: StandingProps) {
  const [sure, setSure] = useState(false);
  const asked = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // What is asked stands at the end of a long dialog.
    if (sure) asked.current?.scrollIntoView({ block: 'end' });
  }, [sure]);
  const invite = (): Promise<void> =>
    tell(async () => {
      const saved = await ask(PersonSaved, 'POST', `/api/people/${person.id}/invitation`);
      return sayInvited(saved.person, saved.invited);
    });
  const retire = (retired: boolean): Promise<void> =>
    tell(async () => {
      await ask(Person, 'PUT', `/api/people/${person.id}/retired`, { retired });
      return null;
    });
  return (
    <Column gap="$2">
      <Dots />
      {person.retired ? (
        <Button dense onPress={() => retire(false)}>
          Take back
        </Button>
      ) : (
        <Row gap="$2" flexWrap="wrap">
          <Button dense onPress={() => invite()}>
            {person.joined ? 'Have them choose a new password' : 'Send the invitation again'}
          </Button>
          <Button dense onPress={() => setSure(true)}>
            Retire
          </Button>
        </Row>
      )}
      <div ref={asked}>
        {sure ? (
          <Notice tone="eyes" alert>
            <Column gap="$2">
              <Body>
                {person.name} is signed out everywhere, and work ahead of them goes back to the
                office. What they did stays under their name. What their phone has not sent yet
                stays on it until they are taken back.
              </Body>
              <Button dense main onPress={() => retire(true)}>
                {`Retire ${person.name}`}
              </Button>
            </Column>
          </Notice>
        ) : null}
      </div>
    </Column>
  );
}
