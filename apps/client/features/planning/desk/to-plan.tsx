import { type JobCard, type Visit } from '@ant-trail/contract/planning';
import { JobsAnswer, type BoardStop } from '@ant-trail/contract/planning/desk';
import { sayLength } from '@ant-trail/core/calendar';
import { turningBack, type JobState } from '@ant-trail/core/planning';
import { useRouter } from 'expo-router';
import { Leaf } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayNearDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import type { NamedPerson } from '@/features/accounts/desk/use-people.ts';
import { DraggableStop } from './board/drag.tsx';
import { takeUpByKey } from './board/hold-by-keys.tsx';
import { usePlanSteps } from './board/plan-steps.ts';
import type { OpenedVisit } from './open-visit.tsx';

export const isTurnedBack = ({ events }: Visit): boolean => turningBack(events) !== null;

interface ToPlanProps {
  readonly title: string;
  /** What is said where there is none; where left out, nothing is shown then. */
  readonly nothing?: string;
  readonly state: JobState;
  readonly today: string;
  /** The visit of such a job that is to be planned. */
  readonly visitOf: (card: JobCard) => Visit | undefined;
  /** The day it can be planned for by dragging it there, and who may get it; null where it can’t be. */
  readonly planOn: { readonly day: string; readonly people: readonly NamedPerson[] } | null;
  readonly onOpen: (opened: OpenedVisit) => void;
}

/** Jobs that wait for the person in charge, at the side of the day. */
export function ToPlan({ title, nothing, state, today, planOn, visitOf, onOpen }: ToPlanProps) {
  const router = useRouter();
  const pending = usePlanSteps((state) => state.pending);
  const query = `state=${encodeURIComponent(state)}&order=day`;
  const { answer } = useOffice(JobsAnswer, `/api/jobs?${query}`, ['visit', 'sheet', 'site']);
  const cards = (answer?.rows ?? []).flatMap((card) => {
    const visit = visitOf(card);
    // What was put to somebody just now is theirs already.
    return visit && !pending.get(visit.id)?.person ? [{ ...card, visit }] : [];
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
        <DraggableStop
          key={card.job.id}
          loose
          stop={asStop(card)}
          disabled={planOn === null}
          onKey={() =>
            planOn ? takeUpByKey(asStop(card), planOn.people[0]?.id ?? null, planOn.day) : undefined
          }
        >
          <Leaf overflow="hidden">
            <PressableRow
              padding="$3"
              gap={2}
              cursor="inherit"
              onPress={() =>
                onOpen({ job: card.job.id, visit: card.visit.id, siteName: card.siteName })
              }
            >
              <Body small strong textAlign="left">
                {card.siteName}
              </Body>
              <Body tiny quiet textAlign="left">
                {card.job.title} · {sayNearDay(card.visit.day, today)} ·{' '}
                {sayLength(card.visit.minutes).replaceAll(' ', '\u00a0')}
              </Body>
              <Reason visit={card.visit} />
            </PressableRow>
          </Leaf>
        </DraggableStop>
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

/** As the board has it; where it lies is not known here. */
const asStop = ({ job, visit, siteName }: JobCard & { readonly visit: Visit }): BoardStop => ({
  ...{ job: { ...job, round: job.round?.name ?? null }, visit, siteName, site: job.site },
  at: null,
});
