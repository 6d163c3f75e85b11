import { type JobCard } from '@ant-trail/contract/planning';
import { JobsAnswer } from '@ant-trail/contract/planning/desk';
import { TemplatesAnswer } from '@ant-trail/contract/templates';
import { may } from '@ant-trail/core/accounts';
import { sayMinute } from '@ant-trail/core/calendar';
import { JOB_STATE_RULES, JOB_STATES, type JobState } from '@ant-trail/core/planning';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
import { usePeople, type NamedPerson, type People } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { OwnConditions } from '@/features/fields/desk/own-conditions.tsx';
import { ownColumns, ownIds } from '@/features/fields/desk/own-columns.tsx';
import { OwnFieldsButton } from '@/features/fields/desk/own-fields-button.tsx';
import { useOwnFields } from '@/features/fields/desk/use-own-fields.ts';
import { DaysFilter } from '@/features/lists/desk/days-filter.tsx';
import { ImportButton } from '@/features/exchange/desk/import-button.tsx';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList, type List } from '@/features/lists/desk/use-list.ts';
import { SiteFilter } from '@/features/sites/desk/site-filter.tsx';
import { FindTemplate } from './find-template.tsx';
import { sayNearDay } from '@/design/say-day.ts';
import { PlanTogether } from './plan-together.tsx';
import { VisitDialog } from './visit-dialog.tsx';

/** Who leads first, then everybody else who is there. */
const namesOf = ({ visits }: JobCard, name: (id: string | null) => string): string =>
  [...new Set(visits.map(({ person }) => name(person)))].join(', ');

const columnsOf = (people: People, today: string): readonly ListColumn<JobCard>[] => [
  {
    id: 'place',
    label: 'Place',
    order: 'place',
    cell: (card) => <Body strong>{card.siteName}</Body>,
  },
  {
    id: 'state',
    label: 'State',
    width: 130,
    cell: ({ job }) => (
      <Row gap="$2">
        <Mark name={JOB_STATE_RULES[job.state].mark} silent />
        <Body small>{job.state}</Body>
      </Row>
    ),
  },
  {
    id: 'job',
    label: 'Job',
    width: 220,
    cell: ({ job }) => (
      <Body small>
        {job.title}
        {job.sheets.length > 1 ? ` · ${job.sheets.length} sheets` : ''}
      </Body>
    ),
  },
  {
    id: 'people',
    label: 'People',
    width: 180,
    cell: (card) => <Body small>{namesOf(card, people.name)}</Body>,
  },
  {
    id: 'day',
    label: 'Day',
    order: 'day',
    width: 190,
    cell: ({ job, visits }) => (
      <Figure small>
        {sayNearDay(job.day, today)} {visits[0] ? sayMinute(visits[0].start) : ''}
      </Figure>
    ),
  },
];

const KEYS = ['state', 'site', 'person', 'template', 'from', 'to', 'where'];

/** All jobs there are: by day, place, person, state, sheet. */
export function JobsScreen() {
  const { organisation, person: own } = useMe();
  const { day } = useNow(organisation.timeZone);
  const people = usePeople();
  const router = useRouter();
  const list = useList<JobCard>({
    name: 'jobs',
    path: '/api/jobs',
    schema: JobsAnswer,
    about: ['visit', 'sheet', 'site'],
    keys: KEYS,
  });
  const [opened, setOpened] = useState<JobCard | null>(null);
  const { fields } = useOwnFields('job');
  const columns = [...columnsOf(people, day), ...ownColumns<JobCard>(fields, ({ job }) => job.own)];
  const walkers = people.list.filter((person) => may(person.roles, 'walk'));
  return (
    <ListPage<JobCard>
      title="Jobs"
      actions={
        <Row gap="$2" flexWrap="wrap">
          <OwnFieldsButton holder="job" />
          {may(own.roles, 'plan') ? <ImportButton kind="jobs" onDone={list.again} /> : null}
          <Button main dense onPress={() => router.navigate('/day?new=job')}>
            New job
          </Button>
        </Row>
      }
      list={list}
      idOf={({ job }) => job.id}
      nameOf={({ job, siteName }) => `${job.title}, ${siteName}`}
      columns={columns}
      hiddenAtFirst={ownIds(fields)}
      orderedBy="-day"
      onOpen={setOpened}
      nothing="No job fits what you chose."
      filters={<Filters list={list} />}
      moreFilters={{
        fields: (
          <>
            <MoreFilters list={list} people={people} />
            <OwnConditions {...{ fields, list }} />
          </>
        ),
        keys: ['site', 'person', 'template', 'from', 'to', 'where'],
      }}
      {...(may(own.roles, 'plan')
        ? {
            together: (chosen, done) => (
              <PlanTogether cards={chosen} people={walkers} onDone={done} />
            ),
          }
        : {})}
    >
      {opened?.visits[0] ? (
        <VisitDialog
          card={{ ...opened, visit: opened.visits[0] }}
          people={walkers}
          onClose={() => setOpened(null)}
        />
      ) : null}
    </ListPage>
  );
}

const STATE_OPTIONS: readonly (JobState | '')[] = [
  '',
  // A job goes from finished to review by itself.
  ...JOB_STATES.filter((state) => state !== 'finished'),
];
const NOBODY: NamedPerson = {
  ...{ id: 'nobody', name: 'Nobody yet', trade: '' },
  ...{ roles: [], retired: false },
};

function Filters({ list: { query, change } }: { list: List<JobCard> }) {
  return (
    <>
      <TextFilter label="Place, job or person" query={query} onChange={change} />
      <Pick
        label="State"
        value={query['state'] ?? ''}
        onChange={(state) => change({ state: state || undefined })}
        options={STATE_OPTIONS.map((value) => ({ value, label: value || 'all' }))}
      />
    </>
  );
}

function MoreFilters({ list, people }: { list: List<JobCard>; people: People }) {
  const { query, change } = list;
  const { answer } = useOffice(TemplatesAnswer, '/api/templates', ['template']);
  return (
    <>
      <SiteFilter list={list} />
      <Column width={200}>
        <FindPerson
          label="Person"
          empty="Everybody"
          people={[NOBODY, ...people.list.filter((person) => may(person.roles, 'walk'))]}
          chosen={query['person'] ?? null}
          onChoose={(person) => change({ person: person ?? undefined })}
        />
      </Column>
      <Column width={200}>
        <FindTemplate
          label="Sheet"
          empty="All"
          templates={answer?.templates ?? []}
          chosen={query['template'] ?? null}
          onChoose={(template) => change({ template: template ?? undefined })}
        />
      </Column>
      <DaysFilter query={query} onChange={change} />
    </>
  );
}
