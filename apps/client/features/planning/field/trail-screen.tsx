import { Suspense, useDeferredValue, useEffect, useState, type ReactNode } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { useTwoSides } from '@/design/sides.ts';
import { sayDay } from '@/design/say-day.ts';
import { Body, Heading, Title } from '@/design/text.tsx';
import { whenIdle } from '@/device/when-idle.ts';
import { useSync } from '@/features/sync/engine.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { KeptLine } from '@/features/sync/field/kept-line.tsx';
import { useKept } from '@/features/sync/kept.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { BeginDialog, OwnOrderDialog, VisitDetails } from './later.tsx';
import { planAhead } from './plan-for.ts';
import { TrailStops } from './trail-stops.tsx';
import { useTrail } from './use-trail.ts';
import { VisitBar } from './visit-bar.tsx';

export interface TrailScreenProps {
  readonly above?: ReactNode;
  readonly below?: ReactNode;
}

/**
 * The person's day, stop by stop, the next one opened out: below its name, or beside the list. `above`
 * and `below` stand around today's stops.
 */
export function TrailScreen({ above, below }: TrailScreenProps) {
  const { store } = usePhone();
  const [ahead, setAhead] = useState(0);
  const { day, trail } = useTrail(ahead);
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
  const [ordering, setOrdering] = useState(false);
  // Of two stops there is hardly a better order.
  const waiting = trail?.stops.filter(({ visit }) => visit.events.length === 0).length ?? 0;
  const filling = useIsFilling();
  const twoSides = useTwoSides();
  const next = ahead === 0 && !filling ? trail?.next : null;
  const beside = twoSides && next ? next : null;
  return (
    <FieldPage title={ahead === 0 ? 'Your trail' : 'Coming up'} wide={twoSides}>
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
      <Row className="sides" flex={1} minHeight={0} alignItems="stretch">
        <Scroll render="main" id="main" paddingRight="$4">
          {filling ? <Filling /> : null}
          {ahead === 0 && !filling ? above : null}
          {drawn && !filling ? (
            <TrailStops
              trail={drawn}
              isToday={ahead === 0}
              here={beside ? beside.visit.id : null}
            />
          ) : null}
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
            {ahead === 0 && !filling && trail && waiting > 2 ? (
              <Button dense onPress={() => setOrdering(true)}>
                A better order
              </Button>
            ) : null}
            {ahead < 7 ? (
              <Button dense onPress={() => setAhead(ahead + 1)}>
                {ahead === 0 ? 'Tomorrow' : 'Day after'}
              </Button>
            ) : null}
          </Row>
          {ahead === 0 && !filling ? below : null}
        </Scroll>
        {beside ? (
          <Column flex={1.1} minHeight={0} borderLeftWidth={1} borderColor="$rule">
            <Suspense fallback={null}>
              <VisitDetails key={beside.visit.id} stop={beside} aside />
            </Suspense>
          </Column>
        ) : null}
      </Row>
      {beginning ? (
        <Suspense fallback={null}>
          <BeginDialog onClose={() => setBeginning(false)} />
        </Suspense>
      ) : null}
      {ordering && trail ? (
        <Suspense fallback={null}>
          <OwnOrderDialog day={day} stops={trail.stops} onClose={() => setOrdering(false)} />
        </Suspense>
      ) : null}
      <FieldFoot>
        {next ? <VisitBar stop={next} /> : null}
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
