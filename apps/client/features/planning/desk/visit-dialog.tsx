import { VisitCard } from '@ant-trail/contract/planning';
import { JobDetails } from '@ant-trail/contract/planning/desk';
import { may } from '@ant-trail/core/accounts';
import { readMinute, sayLength, sayMinute } from '@ant-trail/core/calendar';
import { sayDistance } from '@ant-trail/core/geo';
import { JOB_STATE_RULES, turningBack } from '@ant-trail/core/planning';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { DayField, TimeField } from '@/design/when.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
import { usePeople, type NamedPerson } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayDatedDay, sayWhen } from '@/design/say-day.ts';
import { WriteAboutStop } from '@/features/messages/desk/write-about-stop.tsx';
import { noteDone } from './board/plan-steps.ts';
import { dayToPlan } from './day-to-plan.ts';
import { Decide } from './decide.tsx';
import { OwnOfJob } from './own-of-job.tsx';
import { JobSheets } from './job-sheets.tsx';
import { SigningOfJob } from './signing-of-job.tsx';
import { Suiting } from './suiting.tsx';

export interface VisitDialogProps {
  readonly card: VisitCard;
  readonly people: readonly NamedPerson[];
  readonly onClose: () => void;
}

/** One stop of the day: what happened so far, and who does it when. */
export function VisitDialog({ card, people, onClose }: VisitDialogProps) {
  const { visit, job } = card;
  const { person, organisation } = useMe();
  const [who, setWho] = useState(visit.person);
  const turnedBack = turningBack(visit.events) !== null;
  const { day: today } = useNow(organisation.timeZone);
  const [day, setDay] = useState(dayToPlan(visit, today));
  const [start, setStart] = useState(sayMinute(visit.start));
  const [problem, setProblem] = useState<string | null>(null);
  const { name: nameOf } = usePeople();
  const plans = may(person.roles, 'plan');
  const details = useOffice(JobDetails, `/api/jobs/${job.id}`, ['visit', 'sheet']).answer;
  const { settled } = JOB_STATE_RULES[job.state];
  const replaced = details?.card.visits.some(({ insteadOf }) => insteadOf === visit.id) === true;
  const save = async () => {
    const minute = readMinute(start);
    if (minute === null || !day) {
      setProblem('Give a day and a time.');
      return;
    }
    try {
      await ask(VisitCard, 'PUT', `/api/visits/${visit.id}/plan`, {
        person: who,
        day,
        start: minute,
        minutes: visit.minutes,
      });
      // Another visit in place of one that turned back is no step that goes back.
      if (!turnedBack)
        noteDone({
          words: `${card.siteName} to ${who === null ? 'nobody' : nameOf(who)}, ${sayMinute(minute)}`,
          moves: [
            {
              visit: visit.id,
              from: { person: visit.person, day: visit.day, start: visit.start },
              to: { person: who, day, start: minute },
            },
          ],
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
        {job.follows ? (
          <Body small>
            Follows “{job.follows.title}” of {sayDatedDay(job.follows.day)}.
          </Body>
        ) : null}
        {details && details.card.visits.length > 1 ? (
          <Body small quiet>
            {details.card.visits.map((each) => `${nameOf(each.person)} ${each.part}`).join(', ')}
          </Body>
        ) : null}
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
        {visit.person ? (
          <WriteAboutStop visit={visit.id} person={visit.person} name={nameOf(visit.person)} />
        ) : null}
        {details ? <JobSheets details={details} /> : null}
        {details ? <OwnOfJob job={details.card.job} mayChange={plans} /> : null}
        {details ? <SigningOfJob job={details.card.job} mayChange={plans && !settled} /> : null}
        {replaced ? <Body quiet>Another visit is planned in its place.</Body> : null}
        {plans && !settled && !replaced ? (
          <>
            <FindPerson
              label="Person"
              empty="Nobody yet"
              people={people}
              chosen={who}
              onChoose={setWho}
            />
            <Row gap="$3">
              <DayField label="Day" value={day} onChange={setDay} />
              <TimeField label="Start" value={start} onChange={setStart} />
            </Row>
            <Suiting
              chosen={[who]}
              asked={
                day && readMinute(start) !== null
                  ? { jobs: job.id, day, start: readMinute(start), minutes: visit.minutes }
                  : null
              }
            />
            {problem ? (
              <Body small eyes role="alert">
                {problem}
              </Body>
            ) : null}
            <Button main onPress={() => save()}>
              {turnedBack ? 'Plan another visit' : 'Keep this plan'}
            </Button>
          </>
        ) : null}
        {plans && details ? <Decide details={details} onDone={onClose} /> : null}
      </Column>
    </Dialog>
  );
}
