import { JobsAnswer, type JobCard, type Visit, type VisitCard } from '@ant-trail/contract/planning';
import { sayLength } from '@ant-trail/core/calendar';
import { turningBack, type JobState } from '@ant-trail/core/planning';
import { useRouter } from 'expo-router';
import { Leaf } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayNearDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';

export const isTurnedBack = ({ events }: Visit): boolean => turningBack(events) !== null;

interface ToPlanProps {
  readonly title: string;
  /** What is said where there is none; where left out, nothing is shown then. */
  readonly nothing?: string;
  readonly state: JobState;
  readonly today: string;
  /** The visit of such a job that is to be planned. */
  readonly visitOf: (card: JobCard) => Visit | undefined;
  readonly onOpen: (card: VisitCard) => void;
}

/** Jobs that wait for the person in charge, at the side of the day. */
export function ToPlan({ title, nothing, state, today, visitOf, onOpen }: ToPlanProps) {
  const router = useRouter();
  const query = `state=${encodeURIComponent(state)}&order=day`;
  const { answer } = useOffice(JobsAnswer, `/api/jobs?${query}`, ['visit', 'sheet', 'site']);
  const cards = (answer?.rows ?? []).flatMap((card) => {
    const visit = visitOf(card);
    return visit ? [{ ...card, visit }] : [];
  });
  if (cards.length === 0 && nothing === undefined) return null;
  return (
    <>
      <Heading>{title}</Heading>
      {answer && cards.length === 0 ? (
        <Body small quiet>
          {nothing}
        </Body>
      ) : null}
      {cards.map((card) => (
        <Leaf key={card.job.id} overflow="hidden">
          <PressableRow padding="$3" gap={2} onPress={() => onOpen(card)}>
            <Body small strong>
              {card.siteName}
            </Body>
            <Body tiny quiet>
              {card.job.title} · {sayNearDay(card.visit.day, today)} ·{' '}
              {sayLength(card.visit.minutes).replaceAll(' ', '\u00a0')}
            </Body>
            <Reason visit={card.visit} />
          </PressableRow>
        </Leaf>
      ))}
      {(answer?.total ?? 0) > cards.length ? (
        <Button dense onPress={() => router.navigate(`/jobs?${query}`)}>
          {`All ${answer?.total ?? ''} of them`}
        </Button>
      ) : null}
    </>
  );
}

function Reason({ visit }: { visit: Visit }) {
  const back = turningBack(visit.events);
  return back?.reason ? (
    <Body tiny eyes>
      {back.reason}
    </Body>
  ) : null;
}
