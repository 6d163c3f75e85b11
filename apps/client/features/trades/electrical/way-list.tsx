import { useEffect, useRef } from 'react';
import { textOf } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { isSpare, questionIn, standingOf, type Place } from './places.ts';

interface WayListProps {
  readonly places: readonly Place[];
  readonly here: string;
  readonly onGo: (place: Place) => void;
}

/** The board as a picture of its ways, in order: each with its mark and what it feeds. */
export function WayList({ places, here, onGo }: WayListProps) {
  return (
    <Column role="list" aria-label="Ways">
      {places.map((place) => (
        <WayLine
          key={place.path}
          place={place}
          isHere={place.path === here}
          onPress={() => onGo(place)}
        />
      ))}
    </Column>
  );
}

function WayLine({
  place,
  isHere,
  onPress,
}: {
  readonly place: Place;
  readonly isHere: boolean;
  readonly onPress: () => void;
}) {
  const line = useRef<HTMLElement>(null);
  useEffect(() => {
    if (isHere) line.current?.scrollIntoView({ block: 'nearest' });
  }, [isHere]);
  const feeds = questionIn(place, 'feeds')?.answer;
  const spare = isSpare(place);
  return (
    <Column role="listitem" ref={line as never}>
      <PressableRow
        onPress={onPress}
        {...(isHere ? { 'aria-current': 'true' as const } : {})}
        className="ring-inside"
        paddingHorizontal="$2"
        justifyContent="center"
        borderBottomWidth={1}
        borderColor="$rule"
        backgroundColor={isHere ? '$touch' : 'transparent'}
      >
        <Row gap="$2" alignSelf="stretch" opacity={spare && !isHere ? 0.6 : 1}>
          {place.isBoard ? null : (
            <Figure small minWidth={20} textAlign="right">
              {place.name}
            </Figure>
          )}
          <Mark name={spare ? 'planned' : standingOf(place)} size={17} />
          <Body tiny strong={isHere} flex={1} numberOfLines={2}>
            {place.isBoard ? 'Board' : spare ? 'spare' : feeds ? textOf(feeds.value) : ''}
          </Body>
        </Row>
      </PressableRow>
    </Column>
  );
}
