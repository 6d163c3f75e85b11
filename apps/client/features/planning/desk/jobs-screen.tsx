import { may } from '@ant-trail/core/accounts';
import { JobsAnswer, type JobCard } from '@ant-trail/contract/planning';
import { sayMinute } from '@ant-trail/core/calendar';
import { JOB_STATE_RULES, type JobState } from '@ant-trail/core/planning';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { Pick } from '@/design/pick.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayNearDay } from '../wording.ts';
import { VisitDialog } from './visit-dialog.tsx';

const FILTERS: readonly (JobState | '')[] = [
  '',
  'draft',
  'planned',
  'under way',
  'in review',
  'returned',
  'approved',
  'closed',
  'cancelled',
];

/** All jobs, narrowed by state and name. */
export function JobsScreen() {
  const { organisation } = useMe();
  const { day } = useNow(organisation.timeZone);
  const [state, setState] = useState<string>('');
  const [text, setText] = useState('');
  const { answer, problem } = useOffice(
    JobsAnswer,
    state ? `/api/jobs?state=${encodeURIComponent(state)}` : '/api/jobs',
  );
  const people = usePeople();
  const router = useRouter();
  const [opened, setOpened] = useState<JobCard | null>(null);
  const wanted = text.trim().toLowerCase();
  const cards = (answer?.cards ?? []).filter((card) =>
    `${card.siteName} ${card.job.title} ${namesOf(card, people.name)}`
      .toLowerCase()
      .includes(wanted),
  );
  return (
    <DeskPage
      title="Jobs"
      problem={problem}
      about={<Body quiet>{answer ? `${cards.length} shown, newest first` : ''}</Body>}
      actions={
        <Button main dense onPress={() => router.navigate('/day?new=job')}>
          New job
        </Button>
      }
    >
      <Row gap="$3" flexWrap="wrap" alignItems="flex-end">
        <Column width={300}>
          <Input label="Place, sheet or person" value={text} onChange={setText} />
        </Column>
        <Pick
          label="State"
          value={state}
          onChange={setState}
          options={FILTERS.map((value) => ({ value, label: value || 'all' }))}
        />
      </Row>
      <Column>
        {cards.slice(0, 150).map((card) => (
          <Column key={card.job.id}>
            <Rule />
            <PressableRow
              onPress={() => setOpened(card)}
              justifyContent="center"
              paddingVertical="$2"
            >
              <Row columnGap="$3" rowGap="$1" alignSelf="stretch" flexWrap="wrap">
                <Mark name={JOB_STATE_RULES[card.job.state].mark} silent />
                <Body small width={90}>
                  {card.job.state}
                </Body>
                <Body strong width={300} numberOfLines={1}>
                  {card.siteName}
                </Body>
                <Body small width={210} numberOfLines={1}>
                  {card.job.title}
                  {card.job.sheets.length > 1 ? ` · ${card.job.sheets.length} sheets` : ''}
                </Body>
                <Body small width={150}>
                  {namesOf(card, people.name)}
                </Body>
                <Figure small>
                  {sayNearDay(card.job.day, day)}{' '}
                  {card.visits[0] ? sayMinute(card.visits[0].start) : ''}
                </Figure>
              </Row>
            </PressableRow>
          </Column>
        ))}
        {answer && cards.length === 0 ? <Body quiet>No job is like that.</Body> : null}
      </Column>
      {opened?.visits[0] ? (
        <VisitDialog
          card={{ ...opened, visit: opened.visits[0] }}
          people={people.list.filter((person) => may(person.roles, 'walk'))}
          onClose={() => setOpened(null)}
        />
      ) : null}
    </DeskPage>
  );
}

/** Everybody who is at a job, whoever leads first. */
const namesOf = ({ visits }: JobCard, name: (id: string | null) => string): string =>
  [...new Set(visits.map(({ person }) => name(person)))].join(', ');
