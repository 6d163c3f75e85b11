import type { Person } from '@ant-trail/contract/accounts';
import { JobCard } from '@ant-trail/contract/planning';
import { sayLength } from '@ant-trail/core/calendar';
import { sayDistance } from '@ant-trail/core/geo';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { DateField, Pick } from '@/design/pick.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayWhen } from '../wording.ts';
import { readMinute, writeMinute } from './time-of-day.ts';

export interface VisitDialogProps {
  readonly card: JobCard;
  readonly people: readonly Person[];
  readonly onClose: () => void;
}

/** One stop of the day: what happened so far, and who does it when. */
export function VisitDialog({ card, people, onClose }: VisitDialogProps) {
  const { visit, job } = card;
  const { person, organisation } = useMe();
  const router = useRouter();
  const [who, setWho] = useState(visit.person ?? '');
  const [day, setDay] = useState(visit.day);
  const [start, setStart] = useState(writeMinute(visit.start));
  const [problem, setProblem] = useState<string | null>(null);
  const plans = person.roles.some((role) => role === 'manager' || role === 'administrator');
  const settled = job.state === 'approved' || job.state === 'closed' || job.state === 'cancelled';
  const read = job.state === 'in review' || job.state === 'approved' || job.state === 'returned';
  const save = async () => {
    const minute = readMinute(start);
    if (minute === null || !day) {
      setProblem('Give a day and a time.');
      return;
    }
    try {
      await ask(JobCard, 'PUT', `/api/visits/${visit.id}/plan`, {
        person: who || null,
        day,
        start: minute,
        minutes: visit.minutes,
      });
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title={card.siteName} onClose={onClose}>
      <Column gap="$3">
        <Body>
          {job.title}, about {sayLength(visit.minutes)} · <Body strong>{job.state}</Body>
        </Body>
        {job.instructions ? (
          <Body small quiet>
            {job.instructions}
          </Body>
        ) : null}
        {visit.events.map((event) => (
          <Row key={event.id} gap="$3">
            <Figure small>{sayWhen(event.at, organisation.timeZone)}</Figure>
            <Body small>
              {event.kind}
              {event.distance === null ? '' : `, ${sayDistance(event.distance)} from the site`}
              {event.reason ? ` (“${event.reason}”)` : ''}
            </Body>
          </Row>
        ))}
        {read ? (
          <Button onPress={() => router.navigate(`/review/${job.sheet.id}`)}>Read the sheet</Button>
        ) : null}
        {plans && !settled ? (
          <>
            <Pick
              label="Person"
              value={who}
              onChange={setWho}
              options={[
                { value: '', label: 'Nobody yet' },
                ...people.map(({ id, name, trade }) => ({ value: id, label: `${name}, ${trade}` })),
              ]}
            />
            <Row gap="$3">
              <DateField label="Day" type="date" value={day} onChange={setDay} />
              <DateField label="Start" type="time" value={start} onChange={setStart} />
            </Row>
            {problem ? (
              <Body small eyes role="alert">
                {problem}
              </Body>
            ) : null}
            <Button main onPress={() => void save()}>
              Plan it so
            </Button>
          </>
        ) : null}
      </Column>
    </Dialog>
  );
}
