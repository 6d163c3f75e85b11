import { addDays, sayLength, sayMinute } from '@ant-trail/core/calendar';
import { estimateTravelMinutes } from '@ant-trail/core/planning';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useDeferredValue, useEffect, useState } from 'react';
import { Column, Leaf, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayDay, sayShortDay } from '@/design/say-day.ts';
import { Body, Heading, Title } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { useNow } from '@/device/use-now.ts';
import { whenIdle } from '@/device/when-idle.ts';
import { useMe } from '@/features/accounts/session.ts';
import { useSync } from '@/features/sync/engine.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { KeptLine } from '@/features/sync/field/kept-line.tsx';
import { useKept } from '@/features/sync/kept.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { BeginDialog } from './begin-dialog.tsx';
import { planAhead } from './plan-for.ts';
import { markFor, standingWords } from './step-words.ts';
import { StopCard } from './stop-card.tsx';
import { TrailStep } from './trail-line.tsx';
import { loadTrail, type Trail, type TrailStop } from './trail.ts';
import { VisitBar } from './visit-bar.tsx';

/** The person's day, stop by stop, the next one opened out. */
export function TrailScreen() {
  const { organisation, person } = useMe();
  const { store } = usePhone();
  const { day: today } = useNow(organisation.timeZone);
  const [ahead, setAhead] = useState(0);
  const day = addDays(today, ahead);
  const trail = useLive(
    () => loadTrail(store, person.id, day, today),
    [store, person.id, day, today],
  );
  // The next step can be pressed before all the stops are drawn.
  const drawn = useDeferredValue(trail);
  const nextVersion = trail?.next?.current.sheet.version;
  useEffect(
    // A plan that can't be made says so when the sheet is opened.
    () =>
      nextVersion
        ? whenIdle(() => void planAhead(store, nextVersion).catch(() => undefined))
        : undefined,
    [store, nextVersion],
  );
  const [beginning, setBeginning] = useState(false);
  const filling = useIsFilling();
  return (
    <FieldPage>
      <FieldHead>
        <Row justifyContent="space-between" alignItems="flex-end">
          <Column>
            <Body small quiet>
              {sayDay(day)}
            </Body>
            <Title>{ahead === 0 ? 'Your trail' : 'Coming up'}</Title>
          </Column>
          <KeptLine />
        </Row>
      </FieldHead>
      <Scroll render="main" paddingRight="$4">
        {filling ? <Filling /> : null}
        {drawn && !filling ? <Stops trail={drawn} isToday={ahead === 0} /> : null}
        <Row padding="$4" paddingLeft={96} gap="$2" flexWrap="wrap">
          {ahead > 0 ? (
            <Button dense onPress={() => setAhead(ahead - 1)}>
              {ahead === 1 ? 'Today' : 'Day before'}
            </Button>
          ) : null}
          {ahead === 0 && !filling ? (
            <Button dense onPress={() => setBeginning(true)}>
              Work that is not planned
            </Button>
          ) : null}
          {ahead < 7 ? (
            <Button dense onPress={() => setAhead(ahead + 1)}>
              {ahead === 0 ? 'Tomorrow' : 'Day after'}
            </Button>
          ) : null}
        </Row>
      </Scroll>
      {beginning ? <BeginDialog onClose={() => setBeginning(false)} /> : null}
      <FieldFoot>
        {trail?.next && ahead === 0 && !filling ? <VisitBar stop={trail.next} /> : null}
        <FieldNav />
      </FieldFoot>
    </FieldPage>
  );
}

/**
 * Whether the phone is being filled for the first time: until all of it is here, no next step is
 * offered, since another stop may still turn out to come first. Once that was interrupted, the
 * person works with what is here, and further attempts take nothing out of their hands.
 */
function useIsFilling(): boolean {
  const kept = useKept();
  const isFirst = useSync((sync) => sync.state === 'sending' && !sync.interrupted);
  return kept?.lastSync === null && isFirst;
}

const Filling = () => (
  <Column paddingHorizontal="$4" paddingVertical="$6" gap="$2" role="status">
    <Heading>Fetching what you need</Heading>
    <Body quiet>Once it is here, it stays here: you can then work with no network.</Body>
  </Column>
);

interface StopsProps {
  readonly trail: Trail;
  readonly isToday: boolean;
}

function Stops({ trail, isToday }: StopsProps) {
  const { leftOver, stops, next } = trail;
  const kept = useKept();
  if (leftOver.length + stops.length === 0 && kept?.lastSync === null)
    return (
      <Column paddingHorizontal="$4" paddingVertical="$6" gap="$2">
        <Heading>Not fetched yet</Heading>
        <Body quiet>Your trail comes here as soon as there is a network.</Body>
      </Column>
    );
  if (leftOver.length + stops.length === 0)
    return (
      <Column paddingHorizontal="$4" paddingVertical="$6" gap="$2">
        <Heading>Nothing on your trail {isToday ? 'today' : 'this day'}</Heading>
        <Body quiet>When the office gives you a visit, it appears here by itself.</Body>
      </Column>
    );
  const walkedTo = stops.findIndex((stop) => stop.step !== 'nothing');
  return (
    <View role="list" aria-label="Stops">
      {leftOver.map((stop) => (
        <Stop
          key={stop.visit.id}
          stop={stop}
          time={sayShortDay(stop.visit.day).slice(0, 6).trim()}
          isNext={isToday && next === stop}
          walked={false}
          last={stops.length === 0 && stop === leftOver.at(-1)}
        />
      ))}
      {leftOver.length > 0 && stops.length > 0 ? (
        <View paddingLeft={96} paddingBottom="$3">
          <Dots />
        </View>
      ) : null}
      {stops.map((stop, index) => (
        <Stop
          key={stop.visit.id}
          stop={stop}
          time={sayMinute(stop.visit.start)}
          isNext={isToday && next === stop}
          walked={walkedTo < 0 || index < walkedTo}
          last={index === stops.length - 1}
          before={stops[index - 1]}
        />
      ))}
    </View>
  );
}

interface StopProps {
  readonly stop: TrailStop;
  readonly time: string;
  readonly isNext: boolean;
  readonly walked: boolean;
  readonly last: boolean;
  readonly before?: TrailStop | undefined;
}

function Stop({ stop, time, isNext, walked, last, before }: StopProps) {
  const router = useRouter();
  const { organisation } = useMe();
  const way = before
    ? `${estimateTravelMinutes(before.site, stop.site)} min away · about ${sayLength(stop.visit.minutes)} there`
    : `about ${sayLength(stop.visit.minutes)} there`;
  return (
    <TrailStep time={time} mark={markFor(stop, isNext)} walked={walked} last={last} strong={isNext}>
      {isNext ? (
        <Leaf strong overflow="hidden">
          <StopCard stop={stop} way={way} />
        </Leaf>
      ) : (
        <PressableRow
          gap={0}
          paddingVertical="$2"
          onPress={() => router.navigate(`/visit/${stop.visit.id}`)}
        >
          <Body strong={stop.step !== 'nothing'}>{stop.site.name}</Body>
          <Body small quiet={stop.returnedWith === null} eyes={stop.returnedWith !== null}>
            {standingWords(stop, organisation.timeZone)}
          </Body>
          {stop.site.hazards.length > 0 && stop.step !== 'nothing' ? (
            <Body small eyes>
              {stop.site.hazards[0]}
            </Body>
          ) : null}
        </PressableRow>
      )}
    </TrailStep>
  );
}
