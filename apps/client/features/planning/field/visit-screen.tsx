import { useLocalSearchParams, useRouter } from 'expo-router';
import { Suspense } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { useTwoSides } from '@/design/sides.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { VisitDetails } from './later.tsx';
import { TrailStops } from './trail-stops.tsx';
import { loadStop } from './trail.ts';
import { useTrail } from './use-trail.ts';
import { VisitBar } from './visit-bar.tsx';

/** One stop with everything the phone knows of it; where there is room, beside the trail it is on. */
export function VisitScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { store } = usePhone();
  const router = useRouter();
  const twoSides = useTwoSides();
  const stop = useLive(async () => {
    const visit = await store.visits.get(id);
    return visit ? loadStop(store, visit) : null;
  }, [store, id]);
  return (
    <FieldPage title={stop?.site.name ?? 'Visit'} wide={twoSides}>
      <FieldHead>
        <Row>
          <Button plain dense onPress={() => router.navigate('/trail')}>
            ‹ Trail
          </Button>
        </Row>
      </FieldHead>
      <Row className="sides" flex={1} minHeight={0} alignItems="stretch">
        {twoSides ? <TrailBeside here={id} /> : null}
        {stop ? (
          <Suspense fallback={null}>
            <VisitDetails key={stop.visit.id} stop={stop} />
          </Suspense>
        ) : null}
        {stop === null ? (
          <Column padding="$4" gap="$2">
            <Heading>This visit is not on your phone</Heading>
            <Body quiet>It may have been given to somebody else.</Body>
          </Column>
        ) : null}
      </Row>
      {stop ? (
        <FieldFoot>
          <VisitBar stop={stop} />
          {twoSides ? <FieldNav /> : null}
        </FieldFoot>
      ) : null}
    </FieldPage>
  );
}

function TrailBeside({ here }: { here: string }) {
  const { trail } = useTrail(0);
  return (
    <Scroll
      render="nav"
      aria-label="Your trail"
      maxWidth={400}
      borderRightWidth={1}
      borderColor="$rule"
      paddingRight="$3"
    >
      {trail ? <TrailStops trail={trail} isToday here={here} /> : null}
    </Scroll>
  );
}
