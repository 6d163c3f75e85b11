import type { NamedPerson } from '@/features/accounts/desk/use-people.ts';
import type { VisitCard } from '@ant-trail/contract/planning';
import { sayMinute } from '@ant-trail/core/calendar';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { View as Measured } from 'react-native';
import { Row } from '@/design/box.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { laneHeight, LaneDrawing } from './lane.tsx';

const NAMES = 148;
const HEAD = 40;
const HOUR = 60;
const FIRST_HOUR = 7;
const LAST_HOUR = 17;

export interface DayChartProps {
  readonly people: readonly NamedPerson[];
  readonly cards: readonly VisitCard[];
  /** The minute of the day, or null when the day shown is not today. */
  readonly now: number | null;
  readonly onOpen: (card: VisitCard) => void;
  /** The day as it is planned, where another order is shown, and the visits that are other in it. */
  readonly before?: readonly VisitCard[];
  readonly changed?: ReadonlySet<string>;
}

/** The day as trails: a lane for each person, so that late, early and free are seen. */
export function DayChart({ people, cards, now, onOpen, before, changed }: DayChartProps) {
  const [width, setWidth] = useState(900);
  const inner = Math.max(360, width - NAMES);
  const starts = cards.map((card) => card.visit.start);
  const ends = cards.map((card) => card.visit.start + card.visit.minutes);
  const from = Math.min(FIRST_HOUR * HOUR, ...starts.map((m) => Math.floor(m / HOUR) * HOUR));
  const to = Math.max(LAST_HOUR * HOUR, ...ends.map((m) => Math.ceil(m / HOUR) * HOUR));
  const x = (minute: number): number => 14 + ((minute - from) / (to - from)) * (inner - 30);
  const hours = Array.from({ length: (to - from) / HOUR + 1 }, (_, i) => from + i * HOUR);
  const lanes = people.map((person) => ({
    person,
    cards: cards.filter((card) => card.visit.person === person.id),
  }));
  const showsNow = now !== null && now >= from && now <= to;
  return (
    <Measured
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ alignSelf: 'stretch' }}
    >
      <View position="relative" paddingTop={HEAD}>
        {hours.map((hour) => (
          <View
            key={hour}
            position="absolute"
            left={NAMES + x(hour)}
            top={0}
            bottom={0}
            width={1}
            aria-hidden
          >
            <Figure small quiet position="absolute" left={-11} top={8}>
              {sayMinute(hour).slice(0, 2)}
            </Figure>
            <View position="absolute" top={HEAD} bottom={0} width={1} backgroundColor="$rule" />
          </View>
        ))}
        {lanes.map(({ person, cards: own }) => (
          <Row
            key={person.id}
            alignItems="stretch"
            borderTopWidth={1}
            borderColor="$rule"
            render="section"
            aria-label={person.name}
          >
            <View width={NAMES} paddingTop="$2" paddingRight="$2">
              <Body small strong>
                {person.name}
              </Body>
              <Body tiny quiet>
                {person.trade}
              </Body>
              <Body tiny quiet>
                {sayLoad(own)}
              </Body>
            </View>
            <View minHeight={Math.max(84, laneHeight(own.length))}>
              <LaneDrawing
                cards={own}
                now={now}
                width={inner}
                x={x}
                onOpen={onOpen}
                {...(before && changed
                  ? {
                      before: before.filter(({ visit }) => visit.person === person.id),
                      changed,
                    }
                  : {})}
              />
            </View>
          </Row>
        ))}
        {showsNow ? (
          <View
            position="absolute"
            left={NAMES + x(now)}
            top={4}
            bottom={0}
            width={2}
            backgroundColor="$clay"
            style={{ pointerEvents: 'none' }}
          >
            <View
              position="absolute"
              left={-25}
              top={0}
              backgroundColor="$clay"
              paddingHorizontal={6}
              borderTopLeftRadius="$sharp"
              borderTopRightRadius={8}
              borderBottomRightRadius={8}
              borderBottomLeftRadius={8}
            >
              <Figure tiny strong color="$sheet" aria-label={`Now it is ${sayMinute(now)}`}>
                {sayMinute(now)}
              </Figure>
            </View>
          </View>
        ) : null}
      </View>
    </Measured>
  );
}

export function sayLoad(cards: readonly VisitCard[]): string {
  if (cards.length === 0) return 'free';
  const hours = cards.reduce((sum, card) => sum + card.visit.minutes, 0) / 60;
  return `${cards.length} ${cards.length === 1 ? 'stop' : 'stops'} · ${hours.toFixed(1)} h`;
}
