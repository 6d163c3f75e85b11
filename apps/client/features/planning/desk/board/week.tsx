import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { addDays, sayMinute } from '@ant-trail/core/calendar';
import { useVirtualizer } from '@tanstack/react-virtual';
import { View } from '@tamagui/core';
import { memo, useEffect, useMemo, useRef } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useBeginsAt } from '@/design/use-begins-at.ts';
import { useMe } from '@/features/accounts/session.ts';
import { markOf, sayStop, stopOf } from '../stop-marks.ts';
import { canMove, lanesOf, type Lane } from './board-stops.ts';
import { MISFIT_MARK, sayTaken } from './board-words.ts';
import { DraggableStop, DropGround } from './drag.tsx';
import { takeUpByKey } from './hold-by-keys.tsx';
import { useHand } from './in-hand.ts';
import { LoadBar } from './load-bar.tsx';
import type { Board } from './use-board.ts';

export const DAYS = 7;
/** So many stand in a day of a person; the others are told by their number. */
const MOST_SHOWN = 5;
const LINE = 28;
const FRAME = 54;
const NAMES = 120;
const LEAST_DAY = 118;

export interface WeekProps {
  readonly board: Board;
  /** Its Monday. */
  readonly from: string;
  readonly today: string;
  readonly people: readonly string[];
  readonly faint: ReadonlySet<string>;
  readonly mayPlan: boolean;
  readonly scroll: HTMLElement | null;
  readonly onOpen: (stop: BoardStop) => void;
  readonly onDay: (day: string) => void;
}

interface WeekRow {
  readonly name: string;
  readonly days: readonly Lane[];
}

/** A week of everybody: what each day of a person comes to, and its stops one below the other. */
export function Week(props: WeekProps) {
  // The window on the lines keeps its own state, which the compiler can’t see.
  'use no memo';
  const { board, from, today, people, scroll } = props;
  const days = useMemo(() => Array.from({ length: DAYS }, (_, at) => addDays(from, at)), [from]);
  const rows = useMemo(() => {
    const lanes = days.map((day) => lanesOf({ ...board, day, people: board.walkers }));
    const wanted = new Set(people);
    return board.walkers.flatMap(({ id, name }, at): WeekRow[] =>
      wanted.has(id) ? [{ name, days: lanes.flatMap((lane) => lane[at] ?? []) }] : [],
    );
  }, [board, days, people]);
  const list = useRef<HTMLDivElement>(null);
  const top = useBeginsAt(list, scroll);
  const sizeOf = (index: number): number => {
    const most = Math.max(1, ...(rows[index]?.days ?? []).map(({ stops }) => stops.length));
    return FRAME + Math.min(most, MOST_SHOWN + 1) * LINE;
  };
  const window_ = useVirtualizer({
    ...{ count: rows.length, overscan: 2, scrollMargin: top, estimateSize: sizeOf },
    getScrollElement: () => scroll,
  });
  const sizes = rows.map((_, index) => sizeOf(index)).join();
  useEffect(() => window_.measure(), [sizes, window_]);
  return (
    <Column role="table" aria-label="The week" minWidth={NAMES + DAYS * LEAST_DAY} marginTop="$3">
      <Row role="row" alignItems="stretch">
        <View role="columnheader" width={NAMES} justifyContent="center">
          <Body small quiet>
            Person
          </Body>
        </View>
        {days.map((day) => (
          <View key={day} role="columnheader" flex={1} minWidth={LEAST_DAY}>
            <Button
              dense
              plain
              label={`${sayDayHead(day, today)}: look at this day`}
              onPress={() => props.onDay(day)}
            >
              {sayDayHead(day, today)}
            </Button>
          </View>
        ))}
      </Row>
      <div ref={list} style={{ position: 'relative', height: window_.getTotalSize() }}>
        {window_.getVirtualItems().map(({ key, index, start, size }) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <div
              key={key}
              role="row"
              style={{
                ...{ position: 'absolute', left: 0, right: 0, top: 0, height: size },
                ...{ display: 'flex', transform: `translateY(${start - top}px)` },
              }}
            >
              <View
                role="rowheader"
                width={NAMES}
                borderTopWidth={1}
                borderColor="$rule"
                paddingVertical="$2"
                paddingRight="$2"
              >
                <Body small strong>
                  {row.name}
                </Body>
              </View>
              {row.days.map((lane, at) => (
                <DayCell key={days[at]} {...props} day={days[at] ?? from} lane={lane} />
              ))}
            </div>
          );
        })}
      </div>
    </Column>
  );
}

/** “Mon 23 Nov”, or “Today 27 Nov”. */
const sayDayHead = (day: string, today: string): string =>
  day === today ? `Today ${sayShortDay(day).split(' ').slice(1).join(' ')}` : sayShortDay(day);

interface DayCellProps extends WeekProps {
  readonly day: string;
  readonly lane: Lane;
}

function DayCell(props: DayCellProps) {
  const { lane, day, today, faint, mayPlan, onOpen, onDay } = props;
  const { person, stops, load, away } = lane;
  const shown = stops.slice(0, stops.length > MOST_SHOWN + 1 ? MOST_SHOWN : MOST_SHOWN + 1);
  const misfits = new Map(lane.misfits.map(({ visit, code }) => [visit, MISFIT_MARK[code]]));
  return (
    <View
      role="cell"
      flex={1}
      minWidth={LEAST_DAY}
      borderTopWidth={1}
      borderLeftWidth={1}
      borderColor="$rule"
      backgroundColor={day === today ? '$sheet' : 'transparent'}
    >
      <DropGround id={`cell ${person.id} ${day}`} ground={{ person: person.id, day }}>
        <View padding="$2" minHeight="100%" gap={2}>
          <View minHeight={28}>
            <Body
              tiny
              quiet={away === null || stops.length === 0}
              eyes={away !== null && stops.length > 0}
            >
              {away ?? sayTaken(stops.length, load)}
            </Body>
            {away === null && stops.length > 0 ? <LoadBar load={load} width={84} /> : null}
          </View>
          {shown.map((stop) => (
            <StopInCell
              key={stop.visit.id}
              stop={stop}
              trouble={misfits.get(stop.visit.id) ?? null}
              faint={faint.has(stop.visit.id)}
              mayPlan={mayPlan}
              onOpen={onOpen}
            />
          ))}
          {stops.length > shown.length ? (
            <View
              render="button"
              height={LINE - 2}
              cursor="pointer"
              alignItems="flex-start"
              aria-label={`${person.name}, ${sayShortDay(day)}: ${stops.length - shown.length} more`}
              onPress={() => onDay(day)}
            >
              <Body tiny strong>
                {stops.length - shown.length} more
              </Body>
            </View>
          ) : null}
        </View>
      </DropGround>
    </View>
  );
}

interface StopInCellProps {
  readonly stop: BoardStop;
  /** What of it does not fit; null where it does. */
  readonly trouble: string | null;
  readonly faint: boolean;
  readonly mayPlan: boolean;
  readonly onOpen: (stop: BoardStop) => void;
}

const StopInCell = memo(function StopInCell(props: StopInCellProps) {
  const { stop, trouble, faint, mayPlan, onOpen } = props;
  const { organisation } = useMe();
  const { visit, siteName } = stop;
  const isHeld = useHand(
    ({ inHand }) => inHand?.by === 'keys' && inHand.stop.visit.id === visit.id,
  );
  const words = sayStop(stop, stopOf(stop, organisation.timeZone), null);
  return (
    <DraggableStop
      stop={stop}
      disabled={!mayPlan || !canMove(stop)}
      onKey={() => takeUpByKey(stop, null, visit.day)}
    >
      <View
        render="button"
        height={LINE - 2}
        width="100%"
        flexDirection="row"
        alignItems="center"
        gap={4}
        cursor="inherit"
        opacity={faint ? 0.4 : 1}
        aria-label={`${siteName}${trouble === null ? '' : ` · ${trouble}`}, ${sayMinute(visit.start)}, ${words}`}
        onPress={() => (isHeld ? undefined : onOpen(stop))}
      >
        <View flexShrink={0}>
          <Mark name={isHeld ? 'next' : markOf(stop, 'ahead')} size={16} silent />
        </View>
        <Body
          tiny
          strong={isHeld || trouble !== null}
          eyes={trouble !== null}
          numberOfLines={1}
          flexShrink={1}
        >
          {siteName}
        </Body>
      </View>
    </DraggableStop>
  );
});
