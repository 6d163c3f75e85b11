import { PeopleAnswer, Person } from '@ant-trail/contract/accounts';
import { may, ROLES } from '@ant-trail/core/accounts';
import { addDays, daysBetween } from '@ant-trail/core/calendar';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { Pick } from '@/design/pick.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { ImportButton } from '@/features/exchange/desk/import-button.tsx';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList } from '@/features/lists/desk/use-list.ts';
import { useMe } from '../session.ts';
import { BranchesDialog } from './branches.tsx';
import { InviteTogether } from './invite-together.tsx';
import { PersonDialog, type ChoosePlace } from './person-dialog.tsx';

/** Below so many days left, a credential is pointed out. */
const SOON_DAYS = 30;

const columnsOf = (today: string): readonly ListColumn<Person>[] => [
  {
    id: 'name',
    label: 'Name',
    order: 'name',
    width: 230,
    cell: (person) => (
      <Column alignItems="flex-start">
        <Body strong>{person.name}</Body>
        {person.joined ? null : (
          <Body small quiet>
            invited, not here yet
          </Body>
        )}
      </Column>
    ),
  },
  {
    id: 'role',
    label: 'Role and trade',
    width: 200,
    cell: (person) => (
      <Body small>{[person.roles.join(', '), person.trade].filter(Boolean).join(' · ')}</Body>
    ),
  },
  {
    id: 'skills',
    label: 'Skills',
    width: 200,
    cell: (person) => {
      const away = person.absences.find(({ from, to }) => from <= today && today <= to);
      return (
        <Column gap="$1">
          <Body small>{person.skills.join(', ')}</Body>
          {away ? (
            <Row gap="$2">
              <Mark name="needs eyes" size={16} />
              <Body small eyes>
                {away.to === today ? 'away today' : `away to ${sayShortDay(away.to)}`}
              </Body>
            </Row>
          ) : null}
        </Column>
      );
    },
  },
  {
    id: 'reached',
    label: 'Reached at',
    width: 260,
    cell: (person) => (
      <Column>
        <Body small>{person.phone}</Body>
        <Body small quiet>
          {person.email}
        </Body>
      </Column>
    ),
  },
  {
    id: 'credentials',
    label: 'Credentials',
    cell: (person) => (
      <Column gap="$1">
        {person.credentials.map((credential) => {
          const left = daysBetween(today, credential.expiresOn);
          return (
            <Row key={credential.id} gap="$2">
              {left < SOON_DAYS ? <Mark name="needs eyes" size={16} /> : null}
              <Body small eyes={left < SOON_DAYS}>
                {credential.kind} {credential.number}, {credential.issuer}:{' '}
                {sayLeft(left, credential.expiresOn)}
              </Body>
            </Row>
          );
        })}
      </Column>
    ),
  },
];

const sayDays = (days: number): string => `${days} ${days === 1 ? 'day' : 'days'}`;

function sayLeft(left: number, expiresOn: string): string {
  if (left < 0) return `expired ${sayDays(-left)} ago`;
  if (left === 0) return 'expires today';
  return left < SOON_DAYS
    ? `expires in ${sayDays(left)}`
    : `valid to ${sayShortDay(expiresOn)} ${expiresOn.slice(0, 4)}`;
}

/** Who works here, in which role, with which credentials. */
export function PeopleScreen({ StartsAt }: { readonly StartsAt: ChoosePlace }) {
  const { organisation, person: own } = useMe();
  const { day } = useNow(organisation.timeZone);
  const params = useLocalSearchParams<{ person?: string; new?: string }>();
  const router = useRouter();
  const [branches, setBranches] = useState(false);
  const list = useList<Person>({
    name: 'people',
    path: '/api/people',
    schema: PeopleAnswer,
    about: ['person'],
    keys: ['role', 'retired', 'expiring', 'away'],
  });
  const keeps = may(own.roles, 'keep people');
  const opened = useOffice(Person, params.person ? `/api/people/${params.person}` : null, [
    'person',
  ]).answer;
  const close = (): void => router.setParams({ person: undefined, new: undefined });
  const soon = addDays(day, SOON_DAYS);
  return (
    <ListPage<Person>
      title="People"
      actions={
        keeps ? (
          <Row gap="$2">
            <Button dense onPress={() => setBranches(true)}>
              Branches
            </Button>
            <ImportButton kind="people" onDone={list.again} />
            <Button main dense onPress={() => router.setParams({ new: 'person' })}>
              Add a person
            </Button>
          </Row>
        ) : null
      }
      list={list}
      idOf={({ id }) => id}
      nameOf={({ name }) => name}
      columns={columnsOf(day)}
      orderedBy="name"
      onOpen={({ id }) => router.setParams({ person: id })}
      {...(keeps
        ? {
            together: (chosen, done) => <InviteTogether people={chosen} onDone={done} />,
          }
        : {})}
      nothing="Nobody fits what you chose."
      filters={
        <>
          <TextFilter
            label="Name, trade, skill or credential"
            query={list.query}
            onChange={list.change}
          />
          <Pick
            label="Role"
            value={list.query['role'] ?? ''}
            onChange={(role) => list.change({ role: role || undefined })}
            options={['', ...ROLES].map((value) => ({ value, label: value || 'all' }))}
          />
          <Pick
            label="Credentials"
            value={list.query['expiring'] ? 'soon' : ''}
            onChange={(which) => list.change({ expiring: which ? soon : undefined })}
            options={[
              { value: '', label: 'any' },
              { value: 'soon', label: 'expired or soon' },
            ]}
          />
          <Pick
            label="Works here"
            value={list.query['retired'] ? 'no more' : list.query['away'] ? 'away' : ''}
            onChange={(which) =>
              list.change({
                retired: which === 'no more' ? 'yes' : undefined,
                away: which === 'away' ? day : undefined,
              })
            }
            options={[
              { value: '', label: 'now' },
              { value: 'away', label: 'away today' },
              { value: 'no more', label: 'no more' },
            ]}
          />
        </>
      }
    >
      {(opened && params.person) || params.new ? (
        <PersonDialog
          key={opened?.id ?? 'new'}
          person={params.new ? null : (opened ?? null)}
          keeps={keeps}
          onClose={close}
          onSaved={list.again}
          StartsAt={StartsAt}
        />
      ) : null}
      {branches ? <BranchesDialog onClose={() => setBranches(false)} /> : null}
    </ListPage>
  );
}
