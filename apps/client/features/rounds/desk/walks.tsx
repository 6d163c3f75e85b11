import { JobDetails } from '@ant-trail/contract/planning/desk';
import type { RoundWalk } from '@ant-trail/contract/rounds';
import { JOB_STATE_RULES } from '@ant-trail/core/planning';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayNearDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { ApproveTogether } from '@/features/planning/desk/approve-together.tsx';
import { VisitDialog } from '@/features/planning/desk/visit-dialog.tsx';
import { WALK_MARKS } from './walk-marks.ts';

export interface WalksProps {
  readonly title: string;
  readonly nothing: string;
  readonly walks: readonly RoundWalk[];
  readonly today: string;
  /** Whether there are older ones that are not told of. */
  readonly older?: boolean;
}

/** Walks of a round: those to come, or what came of those that were. */
export function Walks({ title, nothing, walks, today, older = false }: WalksProps) {
  const [open, setOpen] = useState<string | null>(null);
  const [job, setJob] = useState<string | null>(null);
  const people = usePeople();
  return (
    <Column gap="$2">
      <Heading>{title}</Heading>
      {walks.length === 0 ? <Body quiet>{nothing}</Body> : null}
      <Column role="list" aria-label={title}>
        {walks.map((walk) => (
          <Column key={walk.id} role="listitem" gap="$1" paddingVertical="$1">
            <Row gap="$2">
              <Mark name={WALK_MARKS[walk.standing]} size={18} silent />
              <Body flex={1}>
                {sayNearDay(walk.day, today)}
                {walk.standing === 'today' || walk.standing === 'ahead' ? '' : `, ${walk.standing}`}
              </Body>
              <Button
                dense
                plain
                label={`${open === walk.id ? 'Fold away' : 'Look at'} ${sayNearDay(walk.day, today)}`}
                onPress={() => setOpen(open === walk.id ? null : walk.id)}
              >
                {open === walk.id ? 'Fold away' : 'Look at'}
              </Button>
            </Row>
            {walk.troubles.map((words) => (
              <Body key={words} small eyes>
                {words}
              </Body>
            ))}
            {open === walk.id ? (
              <ApproveTogether
                what="this walk"
                jobs={walk.jobs.filter(({ state }) => state === 'in review').map(({ id }) => id)}
              />
            ) : null}
            {open === walk.id
              ? walk.jobs.map(({ id, siteName, state, person, leftOut }) => (
                  <Row key={id} gap="$2" paddingLeft="$4">
                    <Mark name={JOB_STATE_RULES[state].mark} size={16} silent />
                    <Body small flex={1}>
                      {siteName}: {state}, {people.name(person)}
                      {leftOut > 0 ? `, ${leftOut} left out` : ''}
                    </Body>
                    <Button dense plain label={`Open ${siteName}`} onPress={() => setJob(id)}>
                      Open
                    </Button>
                  </Row>
                ))
              : null}
          </Column>
        ))}
      </Column>
      {older ? (
        <Body small quiet>
          Older ones are in the list of jobs.
        </Body>
      ) : null}
      {job ? <JobOf key={job} id={job} onClose={() => setJob(null)} /> : null}
    </Column>
  );
}

function JobOf({ id, onClose }: { id: string; onClose: () => void }) {
  const details = useOffice(JobDetails, `/api/jobs/${id}`, ['visit', 'sheet']).answer;
  const people = usePeople();
  const visit = details?.card.visits[0];
  if (!details || !visit) return null;
  const { job, siteName } = details.card;
  return <VisitDialog card={{ job, visit, siteName }} people={people.list} onClose={onClose} />;
}
