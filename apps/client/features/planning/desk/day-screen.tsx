import { DayAnswer, type VisitCard } from '@ant-trail/contract/planning';
import { may } from '@ant-trail/core/accounts';
import { addDays } from '@ant-trail/core/calendar';
import { minutesLate } from '@ant-trail/core/planning';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { usePageTitle } from '@/design/page-title.ts';
import { useTwoSides } from '@/design/sides.ts';
import { Body, Figure, Title } from '@/design/text.tsx';
import { useIsLive, useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayDay } from '@/design/say-day.ts';
import { RecentOpeningsList } from '@/features/arrival/desk/recent-openings.tsx';
import { BetterOrder } from './better-order.tsx';
import { DayChart } from './day-chart.tsx';
import { DayList } from './day-list.tsx';
import { FirstSteps } from './first-steps.tsx';
import { JobDialog } from './job-dialog.tsx';
import { useOrderOfDay } from './order-of-day.ts';
import { stopOf } from './stop-marks.ts';
import { isTurnedBack, ToPlan } from './to-plan.tsx';
import { VisitDialog } from './visit-dialog.tsx';

/** The day as the manager sees it: who is where, what is late, what nobody has yet. */
export function DayScreen() {
  const { organisation, person } = useMe();
  const params = useLocalSearchParams<{ new?: string }>();
  const router = useRouter();
  const now = useNow(organisation.timeZone);
  const [ahead, setAhead] = useState(0);
  const [opened, setOpened] = useState<VisitCard | null>(null);
  const day = addDays(now.day, ahead);
  const { answer, problem } = useOffice(DayAnswer, `/api/day?day=${day}`, [
    'visit',
    'sheet',
    'site',
  ]);
  const people = usePeople();
  const cards = answer?.cards ?? [];
  const walkers = people.list.filter((person) => may(person.roles, 'walk'));
  const minute = ahead === 0 ? now.minute : null;
  const order = useOrderOfDay(day, cards);
  const twoSides = useTwoSides();
  usePageTitle(sayDay(day));
  const making = params.new === 'job';
  const mayPlan = may(person.roles, 'plan');
  return (
    <Row flex={1} alignItems="stretch" minHeight={0} flexWrap="wrap" style={{ overflowY: 'auto' }}>
      <Scroll
        render="main"
        id="main"
        flexBasis={twoSides ? 640 : 'auto'}
        {...(twoSides ? {} : { minWidth: '100%', flexShrink: 0 })}
        flexGrow={1}
        paddingHorizontal={twoSides ? '$5' : '$4'}
        paddingVertical="$4"
        tabIndex={0}
        aria-label="The day"
        maxWidth="100%"
        style={{ overflowX: 'auto' }}
      >
        <Row gap="$4" flexWrap="wrap" justifyContent="space-between">
          <Row gap="$4" flexWrap="wrap" alignItems="baseline" flexShrink={1}>
            <Title>{sayDay(day)}</Title>
            <Counts cards={cards} minute={minute} timeZone={organisation.timeZone} />
          </Row>
          <Row gap="$2">
            <Button dense onPress={() => setAhead(ahead - 1)}>
              ‹ Before
            </Button>
            <Button dense onPress={() => setAhead(0)} disabled={ahead === 0}>
              Today
            </Button>
            <Button dense onPress={() => setAhead(ahead + 1)}>
              After ›
            </Button>
          </Row>
        </Row>
        {problem ? (
          <Body eyes strong role="alert">
            {problem}
          </Body>
        ) : null}
        {mayPlan ? <FirstSteps /> : null}
        {twoSides ? (
          <>
            <DayChart
              people={walkers}
              cards={order.shown}
              now={minute}
              onOpen={setOpened}
              {...(order.isOpen ? { before: cards, changed: order.changed } : {})}
            />
            <Body tiny quiet paddingTop="$2">
              {order.isOpen
                ? 'Line: the better order, filled where it is other. Dots: as it is planned now.'
                : 'Thin line: planned. Dots: walked. The further down, the further along the day.'}
            </Body>
          </>
        ) : (
          <DayList people={walkers} cards={order.shown} now={minute} onOpen={setOpened} />
        )}
      </Scroll>
      <Column
        render="aside"
        aria-label="To be planned"
        width={twoSides ? (order.isOpen ? 300 : 264) : '100%'}
        flexGrow={0}
        backgroundColor="$sheet"
        borderLeftWidth={1}
        borderColor="$rule"
        padding="$4"
        gap="$3"
        $medium={{ minHeight: '100%' }}
      >
        {order.isOpen ? (
          <BetterOrder
            {...order.panel}
            naming={{
              person: people.name,
              place: (visit) => cards.find((card) => card.visit.id === visit)?.siteName ?? '',
            }}
          />
        ) : (
          <>
            <Button main onPress={() => router.setParams({ new: 'job' })}>
              New job
            </Button>
            {mayPlan && cards.length > 1 && ahead >= 0 ? (
              <Button onPress={() => order.panel.onLook(false)}>Look for a better order</Button>
            ) : null}
            <Dots />
            <RecentOpeningsList />
            <ToPlan
              title="Without a person"
              nothing="Every job has somebody."
              state="draft"
              today={now.day}
              visitOf={({ visits }) => visits.find(({ person }) => person === null)}
              onOpen={setOpened}
            />
            <ToPlan
              title="Turned back"
              state="turned back"
              today={now.day}
              visitOf={({ visits }) => visits.find(isTurnedBack)}
              onOpen={setOpened}
            />
          </>
        )}
        <View flex={1} />
        <LiveWord />
      </Column>
      {opened ? (
        <VisitDialog card={opened} people={walkers} onClose={() => setOpened(null)} />
      ) : null}
      {making ? (
        <JobDialog
          day={day}
          people={walkers}
          onClose={() => router.setParams({ new: undefined })}
        />
      ) : null}
    </Row>
  );
}

function LiveWord() {
  const live = useIsLive();
  return (
    <Body tiny quiet>
      {live
        ? 'What phones send appears here by itself.'
        : 'Not in touch with the office server; trying again.'}
    </Body>
  );
}

interface CountsProps {
  readonly cards: readonly VisitCard[];
  readonly minute: number | null;
  readonly timeZone: string;
}

function Counts({ cards, minute, timeZone }: CountsProps) {
  const placed = cards.filter((card) => card.visit.person !== null);
  const done = placed.filter(({ job }) => job.state === 'in review' || job.state === 'approved');
  const late =
    minute === null
      ? []
      : placed.filter(
          (card) =>
            (card.job.state === 'planned' || card.job.state === 'under way') &&
            minutesLate(stopOf(card, timeZone), minute) > 0,
        );
  return (
    <Row gap="$3">
      <Count count={placed.length} word={placed.length === 1 ? 'stop' : 'stops'} />
      <Count count={done.length} word="done" />
      {late.length > 0 ? <Count count={late.length} word="late" eyes /> : null}
    </Row>
  );
}

function Count({ count, word, eyes }: { count: number; word: string; eyes?: boolean }) {
  return (
    <Row gap={5} alignItems="baseline">
      <Figure strong fontSize="$4" eyes={eyes}>
        {count}
      </Figure>
      <Body small eyes={eyes}>
        {word}
      </Body>
    </Row>
  );
}
