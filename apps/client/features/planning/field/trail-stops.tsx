import { sayMinute } from '@ant-trail/core/calendar';
import { hazardsOn } from '@ant-trail/core/planning';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { Column, Leaf } from '@/design/box.tsx';
import { Dots } from '@/design/dots.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useKept } from '@/features/sync/kept.ts';
import { markFor, standingWords } from './step-words.ts';
import { StopCard } from './stop-card.tsx';
import { TrailStep } from './trail-line.tsx';
import type { Trail, TrailStop } from './trail.ts';

export interface TrailStopsProps {
  readonly trail: Trail;
  readonly isToday: boolean;
  /** The stop that is opened out beside the list; null where the list stands alone. */
  readonly here: string | null;
}

/** The stops of a day under each other, the next one opened out where there is nothing beside. */
export function TrailStops({ trail, isToday, here }: TrailStopsProps) {
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
          here={here}
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
          here={here}
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
  readonly here: string | null;
  readonly walked: boolean;
  readonly last: boolean;
  readonly before?: TrailStop | undefined;
}

function Stop({ stop, time, isNext, here, walked, last, before }: StopProps) {
  const router = useRouter();
  const { organisation } = useMe();
  const [hazard] = hazardsOn(stop.site, stop.visit.day);
  return (
    <TrailStep time={time} mark={markFor(stop, isNext)} walked={walked} last={last} strong={isNext}>
      {isNext && here === null ? (
        <Leaf strong overflow="hidden">
          <StopCard stop={stop} before={before} />
        </Leaf>
      ) : (
        <PressableRow
          gap={0}
          paddingVertical="$2"
          {...(stop.visit.id === here
            ? { 'aria-current': true, borderLeftWidth: 4, borderColor: '$trail', paddingLeft: '$3' }
            : {})}
          onPress={() => router.navigate(`/visit/${stop.visit.id}`)}
        >
          <Body strong={stop.step !== 'nothing'}>{stop.site.name}</Body>
          <Body small quiet={stop.returnedWith === null} eyes={stop.returnedWith !== null}>
            {standingWords(stop, organisation.timeZone)}
          </Body>
          {hazard !== undefined && stop.step !== 'nothing' ? (
            <Body small eyes>
              {hazard}
            </Body>
          ) : null}
        </PressableRow>
      )}
    </TrailStep>
  );
}
