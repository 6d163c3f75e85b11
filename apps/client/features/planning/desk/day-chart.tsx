import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { sayMinute } from '@ant-trail/core/calendar';
import { useVirtualizer } from '@tanstack/react-virtual';
import { View } from '@tamagui/core';
import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { View as Measured } from 'react-native';
import { Row } from '@/design/box.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useBeginsAt } from '@/design/use-begins-at.ts';
import { grouped, type Lane } from './board/board-stops.ts';
import { sayLoad } from './board/board-words.ts';
import { DropGround, type Ground } from './board/drag.tsx';
import { useHand, lookAtStop } from './board/in-hand.ts';
import { LoadBar } from './board/load-bar.tsx';
import { laneHeight, LaneDrawing } from './lane.tsx';

const NAMES = 148;
const HEAD = 36;
const HOUR = 60;
const FIRST_HOUR = 7;
const LAST_HOUR = 17;
const LEAST_LANE = 92;
/** Left of the first hour and right of the last. */
const MARGIN = { left: 14, both: 30 };

export interface DayChartProps {
  readonly day: string;
  readonly lanes: readonly Lane[];
  /** The minute of the day, or null when the day shown is not today. */
  readonly now: number | null;
  readonly onOpen: (stop: BoardStop) => void;
  /** Stops that stand back: they are not what somebody looks for. */
  readonly faint?: ReadonlySet<string>;
  /** Whether stops can be put elsewhere. */
  readonly mayPlan: boolean;
  /** The day as it is planned, where another order is shown, and the visits that are other in it. */
  readonly before?: readonly BoardStop[];
  readonly changed?: ReadonlySet<string>;
  /** What scrolls around it. */
  readonly scroll: HTMLElement | null;
}

/** The day as trails: a lane for each person, so that late, early and free are seen. */
export function DayChart(props: DayChartProps) {
  // The window on the lanes keeps its own state, which the compiler can’t see.
  'use no memo';
  const { day, lanes, now, before, scroll } = props;
  const [width, setWidth] = useState(900);
  const list = useRef<HTMLDivElement>(null);
  const top = useBeginsAt(list, scroll);
  const inner = Math.max(360, width - NAMES);
  const { from, to } = useMemo(() => hoursOf(lanes), [lanes]);
  const x = (minute: number): number =>
    MARGIN.left + ((minute - from) / (to - from)) * (inner - MARGIN.both);
  const minutesPerPx = (to - from) / (inner - MARGIN.both);
  const hours = Array.from({ length: (to - from) / HOUR + 1 }, (_, i) => from + i * HOUR);
  const showsNow = now !== null && now >= from && now <= to;
  const plannedOf = useMemo(() => grouped(before ?? [], ({ visit }) => visit.person), [before]);
  const heightOf = (index: number): number => {
    const lane = lanes[index];
    if (!lane) return LEAST_LANE;
    const planned = plannedOf.get(lane.person.id)?.length ?? 0;
    return Math.max(LEAST_LANE, laneHeight(Math.max(lane.stops.length, planned)));
  };
  const window_ = useVirtualizer({
    count: lanes.length,
    getScrollElement: () => scroll,
    estimateSize: heightOf,
    getItemKey: (index) => lanes[index]?.person.id ?? index,
    overscan: 3,
    scrollMargin: top,
  });
  const heights = lanes.map((_, index) => heightOf(index)).join();
  useEffect(() => window_.measure(), [heights, window_]);
  const chosen = useHand((state) => state.chosen);
  const held = useHand((state) => (state.inHand?.by === 'keys' ? state.inHand.to.person : null));
  const bringIntoSight = useEffectEvent(() => {
    const index = lanes.findIndex(({ person, stops }) =>
      held ? person.id === held : stops.some(({ visit }) => visit.id === chosen),
    );
    if (index >= 0) window_.scrollToIndex(index, { align: 'auto' });
  });
  useEffect(() => bringIntoSight(), [chosen, held]);
  return (
    <Measured
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ alignSelf: 'stretch' }}
    >
      <View position="relative">
        <View height={HEAD} position="relative" zIndex={2} aria-hidden>
          {hours.map((hour) => (
            <Figure key={hour} small quiet position="absolute" left={NAMES + x(hour) - 11} top={8}>
              {sayMinute(hour).slice(0, 2)}
            </Figure>
          ))}
        </View>
        <div ref={list} style={{ position: 'relative', height: window_.getTotalSize() }}>
          {hours.map((hour) => (
            <View
              key={hour}
              position="absolute"
              left={NAMES + x(hour)}
              top={0}
              bottom={0}
              width={1}
              backgroundColor="$rule"
              aria-hidden
            />
          ))}
          {window_.getVirtualItems().map(({ key, index, start, size }) => {
            const lane = lanes[index];
            if (!lane) return null;
            const ground: Ground = {
              ...{ person: lane.person.id, day, minutesPerPx },
              minuteAt: (px) => from + (px - MARGIN.left) * minutesPerPx,
            };
            return (
              <div
                key={key}
                style={{
                  ...{ position: 'absolute', left: 0, right: 0, top: 0, height: size },
                  transform: `translateY(${start - top}px)`,
                }}
              >
                <Row
                  alignItems="stretch"
                  borderTopWidth={1}
                  borderColor="$rule"
                  render="section"
                  aria-label={lane.person.name}
                  height={size}
                >
                  <LaneName lane={lane} />
                  <DropGround id={`lane ${lane.person.id}`} ground={ground}>
                    <LaneDrawing
                      {...props}
                      lane={lane}
                      width={inner}
                      x={x}
                      before={before ? (plannedOf.get(lane.person.id) ?? []) : undefined}
                    />
                  </DropGround>
                </Row>
              </div>
            );
          })}
        </div>
        {showsNow ? <NowLine at={NAMES + x(now)} now={now} /> : null}
      </View>
    </Measured>
  );
}

function hoursOf(lanes: readonly Lane[]): { readonly from: number; readonly to: number } {
  let from = FIRST_HOUR * HOUR;
  let to = LAST_HOUR * HOUR;
  for (const { stops } of lanes)
    for (const { visit } of stops) {
      from = Math.min(from, Math.floor(visit.start / HOUR) * HOUR);
      to = Math.max(to, Math.ceil((visit.start + visit.minutes) / HOUR) * HOUR);
    }
  return { from, to };
}

function LaneName({ lane }: { readonly lane: Lane }) {
  const { person, stops, load, away } = lane;
  const isChosen = useHand((state) => state.person === person.id);
  return (
    <View
      render="button"
      width={NAMES}
      paddingVertical="$2"
      paddingRight="$2"
      alignItems="flex-start"
      cursor="pointer"
      aria-pressed={isChosen}
      onPress={() => lookAtStop(null, isChosen ? null : person.id)}
    >
      <Body small strong textAlign="left" textDecorationLine={isChosen ? 'underline' : 'none'}>
        {person.name}
      </Body>
      <Body tiny quiet textAlign="left">
        {person.trade}
      </Body>
      <Body tiny quiet={away === null} eyes={away !== null && stops.length > 0} textAlign="left">
        {away ?? sayLoad(stops.length, load)}
      </Body>
      {away === null ? <LoadBar load={load} /> : null}
    </View>
  );
}

function NowLine({ at, now }: { readonly at: number; readonly now: number }) {
  return (
    <View
      position="absolute"
      left={at}
      top={4}
      bottom={0}
      width={2}
      backgroundColor="$clay"
      zIndex={2}
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
  );
}
