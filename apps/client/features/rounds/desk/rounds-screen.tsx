import { RoundsAnswer, type RoundLine } from '@ant-trail/contract/rounds';
import { may } from '@ant-trail/core/accounts';
import { sayRule } from '@ant-trail/core/rounds';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayNearDay } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { useNow } from '@/device/use-now.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
import { usePeople, type People } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';
import { RetiredFilter } from '@/features/lists/desk/retired-filter.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList } from '@/features/lists/desk/use-list.ts';
import { HolidaysDialog } from './holidays-dialog.tsx';
import { WALK_MARKS } from './walk-marks.ts';

const columnsOf = (people: People, today: string): readonly ListColumn<RoundLine>[] => [
  {
    id: 'name',
    label: 'Round',
    order: 'name',
    cell: ({ name, rule, trouble }) => (
      <Column>
        <Body strong>{name}</Body>
        <Body small quiet={!trouble} eyes={Boolean(trouble)}>
          {trouble ?? sayRule(rule)}
        </Body>
      </Column>
    ),
  },
  {
    id: 'stops',
    label: 'Stops',
    width: 80,
    cell: ({ stops }) => <Figure small>{stops}</Figure>,
  },
  {
    id: 'person',
    label: 'Who walks it',
    width: 180,
    cell: ({ person }) => (
      <Body small quiet={person === null}>
        {people.name(person)}
      </Body>
    ),
  },
  {
    id: 'next',
    label: 'Next',
    width: 140,
    cell: ({ next }) =>
      next ? (
        <Body small>{sayNearDay(next.day, today)}</Body>
      ) : (
        <Body small quiet>
          none
        </Body>
      ),
  },
  {
    id: 'last',
    label: 'Last time',
    width: 200,
    cell: ({ last }) =>
      last ? (
        <Row gap="$2">
          <Mark name={WALK_MARKS[last.standing]} size={18} silent />
          <Body small>
            {sayNearDay(last.day, today)}
            {last.standing === 'today' ? ', ahead' : `, ${last.standing}`}
          </Body>
        </Row>
      ) : null,
  },
];

/** Rounds: what repeats, by which rhythm, and what came of it last time. */
export function RoundsScreen() {
  const { person, organisation } = useMe();
  const { day: today } = useNow(organisation.timeZone);
  const router = useRouter();
  const people = usePeople();
  const [calendar, setCalendar] = useState(false);
  const plans = may(person.roles, 'plan');
  const list = useList<RoundLine>({
    ...{ name: 'rounds', path: '/api/rounds', schema: RoundsAnswer },
    ...{ about: ['round', 'visit'], keys: ['person', 'retired'] },
  });
  const walkers = people.list.filter(({ roles }) => may(roles, 'walk'));
  return (
    <ListPage<RoundLine>
      title="Rounds"
      actions={
        <Row gap="$2" flexWrap="wrap">
          <Button dense onPress={() => setCalendar(true)}>
            Holidays
          </Button>
          {plans ? (
            <Button main dense onPress={() => router.navigate('/rounds/new')}>
              New round
            </Button>
          ) : null}
        </Row>
      }
      list={list}
      idOf={({ id }) => id}
      nameOf={({ name }) => name}
      columns={columnsOf(people, today)}
      orderedBy="name"
      onOpen={({ id }) => router.navigate(`/rounds/${id}`)}
      nothing={
        Object.keys(list.query).length > 0
          ? 'No round fits what you chose.'
          : 'No round is here yet. What is walked again and again is said once, and planned ahead by itself.'
      }
      filters={
        <>
          <TextFilter label="Name" query={list.query} onChange={list.change} />
          <FindPerson
            label="Who walks it"
            empty="anybody"
            people={walkers}
            chosen={list.query['person'] ?? null}
            onChoose={(who) => list.change({ person: who ?? undefined })}
          />
          <RetiredFilter
            label="Shown"
            words={['in use', 'retired']}
            query={list.query}
            onChange={list.change}
          />
        </>
      }
    >
      {calendar ? <HolidaysDialog onClose={() => setCalendar(false)} /> : null}
    </ListPage>
  );
}
