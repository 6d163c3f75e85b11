import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { may } from '@ant-trail/core/accounts';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useMemo, useState, type ComponentType } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { usePageTitle } from '@/design/page-title.ts';
import { useTwoSides } from '@/design/sides.ts';
import { Body, Title } from '@/design/text.tsx';
import { useIsLive } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { RecentOpeningsList } from '@/features/arrival/desk/recent-openings.tsx';
import { MessagesWaiting } from '@/features/messages/desk/messages-waiting.tsx';
import { BetterOrder } from './better-order.tsx';
import { AlsoPlanning } from './board/also-planning.tsx';
import {
  BOARD_VIEWS,
  BoardNavigation,
  mondayOf,
  NarrowBoard,
  sayView,
  stepFrom,
  Undo,
  type BoardFilter,
} from './board/board-bar.tsx';
import { lanesOf } from './board/board-stops.ts';
import { Counts } from './board/counts.tsx';
import { DragBoard, DropGround } from './board/drag.tsx';
import { HoldByKeys } from './board/hold-by-keys.tsx';
import { lookAtStop, useHand } from './board/in-hand.ts';
import { MisfitList } from './board/misfit-list.tsx';
import { Month } from './board/month.tsx';
import { narrow } from './board/narrow.ts';
import { hushSteps, stepsOf } from './board/plan-steps.ts';
import { useBoard } from './board/use-board.ts';
import { usePutting } from './board/use-putting.ts';
import { Week, DAYS } from './board/week.tsx';
import { DayChart } from './day-chart.tsx';
import { DayList } from './day-list.tsx';
import { FirstSteps } from './first-steps.tsx';
import { JobDialog } from './job-dialog.tsx';
import { OpenVisit, type OpenedVisit } from './open-visit.tsx';
import { useOrderOfDay } from './order-of-day.ts';
import { isTurnedBack, ToPlan } from './to-plan.tsx';

/** The stops of the day on the map, with whom and what is chosen on the chart. */
export interface BoardMapProps {
  readonly stops: readonly BoardStop[];
  readonly chosen: string | null;
  readonly person: string | null;
  readonly names: (id: string | null) => string;
  readonly onChoose: (visit: string) => void;
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** The day as the manager sees it and plans it: who is where, what is late, what nobody has yet. */
export function DayScreen({ Map: DayMap }: { readonly Map: ComponentType<BoardMapProps> }) {
  const { organisation, person } = useMe();
  const params = useLocalSearchParams<{
    new?: string;
    day?: string;
    view?: string;
    map?: string;
  }>();
  const router = useRouter();
  const now = useNow(organisation.timeZone);
  const day = DAY.test(params.day ?? '') ? (params.day ?? now.day) : now.day;
  const view = BOARD_VIEWS.find(({ value }) => value === params.view)?.value ?? 'day';
  const [opened, setOpened] = useState<OpenedVisit | null>(null);
  const [filter, setFilter] = useState<BoardFilter>({ words: '', onlyMisfits: false });
  const [scroll, setScroll] = useState<HTMLElement | null>(null);
  const monday = mondayOf(view === 'month' ? `${day.slice(0, 7)}-01` : day);
  const board = useBoard(view === 'day' ? day : monday, view === 'week' ? DAYS : 1);
  const { people, walkers, way, hours, problem } = board;
  const minute = day === now.day && view === 'day' ? now.minute : null;
  const order = useOrderOfDay(day, view === 'day' ? board.stops : []);
  const lanes = useMemo(
    () => lanesOf({ day, people: walkers, hours, stops: order.shown, way }),
    [day, walkers, hours, order.shown, way],
  );
  const sought = useMemo(
    () => narrow(lanes, view === 'week' ? board.stops : order.shown, filter, view === 'day'),
    [lanes, board.stops, order.shown, filter, view],
  );
  const twoSides = useTwoSides();
  const mayPlan = may(person.roles, 'plan');
  const shownMap = params.map === 'yes';
  const { chosen, person: chosenPerson } = useHand();
  usePageTitle(sayView(day, view));
  useEffect(() => stepsOf(person.id), [person.id]);
  useEffect(() => {
    lookAtStop(null, null);
    hushSteps();
  }, [day, view]);
  const open = ({ job, visit, siteName }: BoardStop): void =>
    setOpened({ job: job.id, visit: visit.id, siteName });
  const goTo = (next: string, nextView = view): void =>
    router.setParams({
      day: next === now.day ? undefined : next,
      view: nextView === 'day' ? undefined : nextView,
    });
  const { sayTo, putDown, sayHeld, putDownHeld } = usePutting(board, now.day);
  return (
    <DragBoard say={sayTo} onPutDown={putDown}>
      <Row
        flex={1}
        alignItems="stretch"
        minHeight={0}
        flexWrap="wrap"
        style={{ overflowY: 'auto' }}
      >
        <Scroll
          ref={(element: unknown) => setScroll(element as HTMLElement | null)}
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
          <Column>
            <Row gap="$4" flexWrap="wrap" justifyContent="space-between">
              <Row gap="$4" flexWrap="wrap" alignItems="baseline" flexShrink={1}>
                <Title>{sayView(day, view)}</Title>
                {view === 'day' ? (
                  <Counts cards={order.shown} minute={minute} timeZone={organisation.timeZone} />
                ) : null}
              </Row>
              <BoardNavigation
                view={view}
                isNow={day === now.day}
                onView={(next) => goTo(day, next)}
                onStep={(by) => goTo(stepFrom(day, view, by))}
                onToday={() => goTo(now.day)}
              />
            </Row>
            {problem ? (
              <Body eyes strong role="alert">
                {problem}
              </Body>
            ) : null}
            {mayPlan ? <AlsoPlanning day={day} today={now.day} name={people.name} /> : null}
            {mayPlan && view === 'day' ? <FirstSteps /> : null}
            <Row gap="$3" flexWrap="wrap" alignItems="flex-end" paddingTop="$3">
              {view === 'month' ? null : (
                <NarrowBoard filter={filter} onFilter={setFilter} judged={view === 'day'} />
              )}
              {view === 'day' ? (
                <Button
                  dense
                  onPress={() => router.setParams({ map: shownMap ? undefined : 'yes' })}
                >
                  {shownMap ? 'Without the map' : 'With the map'}
                </Button>
              ) : null}
              {mayPlan ? <Undo /> : null}
            </Row>
            {mayPlan ? (
              <HoldByKeys
                people={sought.lanes.map((lane) => lane.person.id)}
                say={sayHeld}
                onPutDown={putDownHeld}
              />
            ) : null}
            {view === 'month' ? (
              <Month
                from={monday}
                month={day.slice(0, 7)}
                today={now.day}
                hours={hours}
                onDay={(next) => goTo(next, 'day')}
              />
            ) : null}
            {view === 'week' ? (
              <Week
                board={board}
                from={monday}
                today={now.day}
                people={sought.lanes.map((lane) => lane.person.id)}
                faint={sought.faint}
                mayPlan={mayPlan}
                scroll={scroll}
                onOpen={open}
                onDay={(next) => goTo(next, 'day')}
              />
            ) : null}
            {view === 'day' && shownMap ? (
              <View height={340} marginTop="$3" borderWidth={1} borderColor="$rule">
                <DayMap
                  stops={order.shown}
                  chosen={chosen}
                  person={chosenPerson}
                  names={people.name}
                  onChoose={(visit) =>
                    lookAtStop(
                      visit,
                      order.shown.find((stop) => stop.visit.id === visit)?.visit.person ?? null,
                    )
                  }
                />
              </View>
            ) : null}
            {view !== 'day' ? null : twoSides ? (
              <>
                <DayChart
                  day={day}
                  lanes={sought.lanes}
                  faint={sought.faint}
                  now={minute}
                  mayPlan={mayPlan}
                  scroll={scroll}
                  onOpen={open}
                  {...(order.isOpen ? { before: board.stops, changed: order.changed } : {})}
                />
                <Body tiny quiet paddingTop="$2">
                  {order.isOpen
                    ? 'Line: the better order, filled where it is other. Dots: as it is planned now.'
                    : 'Thin line: planned. Dots: walked. The further down, the further along the day.'}
                  {mayPlan && !order.isOpen
                    ? ' Stops nobody has set off to are dragged to another hour or person, or taken up by M.'
                    : ''}
                </Body>
              </>
            ) : (
              <DayList lanes={sought.lanes} now={minute} onOpen={open} />
            )}
          </Column>
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
                place: (visit) =>
                  board.stops.find((stop) => stop.visit.id === visit)?.siteName ?? '',
              }}
            />
          ) : (
            <>
              <Button main onPress={() => router.setParams({ new: 'job' })}>
                New job
              </Button>
              {mayPlan && view === 'day' && board.stops.length > 1 && day >= now.day ? (
                <Button onPress={() => order.panel.onLook(false)}>Look for a better order</Button>
              ) : null}
              <MessagesWaiting />
              <Dots />
              <RecentOpeningsList />
              {view === 'day' ? <MisfitList lanes={lanes} way={way} mayPlan={mayPlan} /> : null}
              <DropGround id="nobody" ground={{ person: null, day }}>
                <Column gap="$3" minHeight={96}>
                  <ToPlan
                    title="Without a person"
                    nothing="Every job has somebody."
                    state="draft"
                    today={now.day}
                    planOn={mayPlan && view !== 'month' ? { day, people: walkers } : null}
                    visitOf={({ visits }) => visits.find(({ person: who }) => who === null)}
                    onOpen={setOpened}
                  />
                </Column>
              </DropGround>
              <ToPlan
                title="Turned back"
                state="turned back"
                today={now.day}
                planOn={null}
                visitOf={({ visits }) => visits.find(isTurnedBack)}
                onOpen={setOpened}
              />
            </>
          )}
          <View flex={1} />
          <LiveWord />
        </Column>
        {opened ? (
          <OpenVisit opened={opened} people={walkers} onClose={() => setOpened(null)} />
        ) : null}
        {params.new === 'job' ? (
          <JobDialog
            day={day}
            people={walkers}
            onClose={() => router.setParams({ new: undefined })}
          />
        ) : null}
      </Row>
    </DragBoard>
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
