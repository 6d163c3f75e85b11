import { Action, ACTIONS_STAND, ActionsAnswer } from '@ant-trail/contract/actions';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { Column, Row } from '@/design/box.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
import { usePeople, type People } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList, type List } from '@/features/lists/desk/use-list.ts';
import { SiteFilter } from '@/features/sites/desk/site-filter.tsx';
import { actionColumns } from './action-columns.tsx';
import { MoveDialog } from './move-dialog.tsx';

/** What is being done about what was found; what is due first comes first. */
export function ActionsScreen() {
  const { organisation } = useMe();
  const { day } = useNow(organisation.timeZone);
  const people = usePeople();
  const router = useRouter();
  const params = useLocalSearchParams<{ action?: string }>();
  const list = useList<Action>({
    name: 'actions',
    path: '/api/actions',
    schema: ActionsAnswer,
    about: ['action', 'site'],
    keys: ['stand', 'owner', 'site'],
  });
  const overdue = useOffice(ActionsAnswer, '/api/actions?stand=overdue&most=1', ['action']).answer
    ?.total;
  const opened = useOffice(Action, params.action ? `/api/actions/${params.action}` : null, [
    'action',
  ]);
  return (
    <ListPage<Action>
      title="Actions"
      about={
        overdue ? (
          <Row gap="$2" alignItems="baseline">
            <Figure strong eyes fontSize="$4">
              {overdue}
            </Figure>
            <Body small eyes>
              overdue
            </Body>
          </Row>
        ) : null
      }
      list={list}
      idOf={({ id }) => id}
      nameOf={({ title, siteName }) => `${title}, ${siteName}`}
      columns={actionColumns(people, day)}
      orderedBy="urgency"
      onOpen={({ id }) => router.setParams({ action: id })}
      nothing="No action fits what you chose. They are opened from findings, in the field or at review."
      filters={<Filters list={list} />}
      moreFilters={{
        fields: <MoreFilters list={list} people={people} />,
        keys: ['owner', 'site'],
      }}
    >
      {opened.answer ? (
        <MoveDialog
          key={opened.answer.id}
          action={opened.answer}
          people={people}
          onClose={() => router.setParams({ action: undefined })}
          onMoved={() => {
            opened.again();
            list.again();
          }}
        />
      ) : null}
    </ListPage>
  );
}

const STAND_WORDS: Record<(typeof ACTIONS_STAND)[number], string> = {
  unsettled: 'not settled',
  overdue: 'overdue',
  'to verify': 'done, to verify',
  settled: 'settled',
  any: 'all',
};

function Filters({ list: { query, change } }: { list: List<Action> }) {
  return (
    <>
      <TextFilter label="Action, place or owner" query={query} onChange={change} />
      <Pick
        label="Shown"
        value={query['stand'] ?? 'unsettled'}
        onChange={(stand) => change({ stand: stand === 'unsettled' ? undefined : stand })}
        options={ACTIONS_STAND.map((value) => ({ value, label: STAND_WORDS[value] }))}
      />
    </>
  );
}

function MoreFilters({ list, people }: { list: List<Action>; people: People }) {
  const { query, change } = list;
  return (
    <>
      <Column width={200}>
        <FindPerson
          label="Owner"
          empty="Everybody"
          people={people.list}
          chosen={query['owner'] ?? null}
          onChoose={(owner) => change({ owner: owner ?? undefined })}
        />
      </Column>
      <SiteFilter list={list} />
    </>
  );
}
