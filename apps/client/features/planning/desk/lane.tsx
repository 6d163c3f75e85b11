import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { sayMinute } from '@ant-trail/core/calendar';
import { layLane, type LanePoint } from '@ant-trail/core/planning';
import type { Misfit } from '@ant-trail/core/planning/board';
import { useTheme, View } from '@tamagui/core';
import { memo } from 'react';
import Svg, { Line, Polyline } from 'react-native-svg';
import { Mark } from '@/design/mark.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { canMove, grouped, type Lane } from './board/board-stops.ts';
import { MISFIT_MARK } from './board/board-words.ts';
import { DraggableStop } from './board/drag.tsx';
import { takeUpByKey } from './board/hold-by-keys.tsx';
import { lookAtStop, useHand } from './board/in-hand.ts';
import { markOf, sayStop, stopOf } from './stop-marks.ts';

const TOP = 32;
/** Half a mark more than the part of a stop below its line: no stop covers the middle of another. */
const STEP = 22;
const BOX = { above: 21, height: 32 };
const BOTTOM = 12;
/** Every stop lies lower than the one before, so its name may run on above the next one's line. */
const WIDEST = 260;

export const laneHeight = (stops: number): number =>
  TOP + Math.max(0, stops - 1) * STEP + BOTTOM + 8;

const inOrder = (cards: readonly BoardStop[]): BoardStop[] =>
  [...cards].sort((a, b) => a.visit.start - b.visit.start);

export interface LaneProps {
  readonly day: string;
  readonly lane: Lane;
  readonly now: number | null;
  readonly width: number;
  readonly x: (minute: number) => number;
  readonly onOpen: (stop: BoardStop) => void;
  readonly mayPlan: boolean;
  readonly faint?: ReadonlySet<string>;
  readonly before?: readonly BoardStop[] | undefined;
  readonly changed?: ReadonlySet<string>;
}

/** One person's day: time to the right, the way along the day downwards. */
export function LaneDrawing(props: LaneProps) {
  const { now, width, x, before } = props;
  const theme = useTheme();
  const { organisation } = useMe();
  const ordered = inOrder(props.lane.stops);
  const stops = ordered.map((card) => stopOf(card, organisation.timeZone));
  const lane = layLane(stops, now);
  const height = laneHeight(Math.max(stops.length, before?.length ?? 0));
  const asPlanned =
    before &&
    layLane(
      inOrder(before).map((card) => stopOf(card, organisation.timeZone)),
      null,
    );
  const y = (depth: number): number => TOP + depth * Math.max(0, stops.length - 1) * STEP;
  const line = (points: readonly LanePoint[]): string =>
    points.map((point) => `${x(point.minute)},${y(point.depth)}`).join(' ');
  const misfitsOf = grouped(props.lane.misfits, ({ visit }) => visit);
  const wrong = new Set(
    props.lane.misfits.filter(({ code }) => code === 'promise').map(({ visit }) => visit),
  );
  return (
    <View height={height} width={width} role="list" position="relative">
      <Svg width={width} height={height} aria-hidden style={{ position: 'absolute' }}>
        {asPlanned ? (
          <Polyline
            points={line(asPlanned.planned)}
            fill="none"
            stroke={theme.sand.get()}
            strokeWidth={3}
            strokeLinecap="round"
            strokeDasharray="0.1 7"
          />
        ) : null}
        <Polyline
          points={line(lane.planned)}
          fill="none"
          stroke={before ? theme.ink.get() : theme.sand.get()}
          strokeWidth={2}
        />
        {ordered.map(({ visit, job }, index) =>
          job.windowFrom === null || job.windowTo === null ? null : (
            <Line
              key={visit.id}
              x1={x(job.windowFrom)}
              x2={x(job.windowTo)}
              y1={y(lane.marks[index]?.depth ?? 0) + 13}
              y2={y(lane.marks[index]?.depth ?? 0) + 13}
              stroke={wrong.has(visit.id) ? theme.clay.get() : theme.lake.get()}
              strokeWidth={3}
            />
          ),
        )}
        {lane.marks.map(({ id, depth }, index) => {
          const own = misfitsOf.get(id) ?? [];
          const tight = own.some(({ code }) => code === 'overlap' || code === 'too far');
          const stop = stops[index];
          return tight && stop ? (
            <Line
              key={id}
              x1={x(stop.start)}
              x2={x(stop.start + stop.minutes)}
              y1={y(depth)}
              y2={y(depth)}
              stroke={theme.clay.get()}
              strokeWidth={5}
            />
          ) : null;
        })}
        <Polyline
          points={line(lane.walked)}
          fill="none"
          stroke={theme.ink.get()}
          strokeWidth={5}
          strokeLinecap="round"
          strokeDasharray="0.1 8"
        />
      </Svg>
      {lane.marks.map((mark, index) => {
        const card = ordered[index];
        if (!card) return null;
        const left = x(mark.minute);
        return (
          <StopOnLane
            key={mark.id}
            card={card}
            day={props.day}
            now={now}
            mark={markOf(card, mark.state)}
            here={mark.state === 'here'}
            misfit={misfitsOf.get(mark.id)?.[0] ?? null}
            left={left - 11}
            top={y(mark.depth) - BOX.above}
            room={Math.min(WIDEST, width - left - 22) + 24}
            faint={props.faint?.has(mark.id) === true}
            changed={props.changed ? props.changed.has(mark.id) : null}
            mayPlan={props.mayPlan}
            onOpen={props.onOpen}
          />
        );
      })}
    </View>
  );
}

interface StopOnLaneProps {
  readonly card: BoardStop;
  readonly day: string;
  readonly now: number | null;
  readonly mark: ReturnType<typeof markOf>;
  readonly here: boolean;
  readonly misfit: Misfit | null;
  readonly left: number;
  readonly top: number;
  readonly room: number;
  readonly faint: boolean;
  /** Whether it is other in the order shown; null where none is. */
  readonly changed: boolean | null;
  readonly mayPlan: boolean;
  readonly onOpen: (stop: BoardStop) => void;
}

const StopOnLane = memo(function StopOnLane(props: StopOnLaneProps) {
  const { card, day, now, misfit, changed, mayPlan, onOpen } = props;
  const { organisation } = useMe();
  const { visit, job, siteName } = card;
  const isHeld = useHand(
    ({ inHand }) => inHand?.by === 'keys' && inHand.stop.visit.id === visit.id,
  );
  const isChosen = useHand(({ chosen }) => chosen === visit.id);
  const words = sayStop(card, stopOf(card, organisation.timeZone), now);
  const late = words.endsWith('late');
  const open = job.state === 'planned' || job.state === 'under way';
  const trouble = late ? words : misfit ? MISFIT_MARK[misfit.code] : null;
  const said = trouble === null ? words : `${job.state}`;
  return (
    <View
      role="listitem"
      position="absolute"
      left={props.left}
      top={props.top}
      maxWidth={props.room}
      opacity={props.faint ? 0.4 : 1}
      zIndex={isHeld ? 3 : 1}
    >
      <DraggableStop
        stop={card}
        disabled={!mayPlan || changed !== null || !canMove(card)}
        onKey={() => takeUpByKey(card, null, day)}
      >
        <View
          render="button"
          aria-label={
            trouble === null
              ? `${siteName}, ${sayMinute(visit.start)}, ${said}`
              : `${siteName} · ${trouble}, ${sayMinute(visit.start)}, ${said}`
          }
          height={BOX.height}
          flexDirection="row"
          alignItems="flex-end"
          gap={5}
          cursor="inherit"
          maxWidth="100%"
          onFocus={() => lookAtStop(visit.id, visit.person)}
          onPress={() => (isHeld ? undefined : onOpen(card))}
        >
          <View>
            <Mark name={changed === true || isHeld ? 'next' : props.mark} size={22} silent />
          </View>
          <Body
            tiny
            strong={isHeld || isChosen || (changed ?? (open && (trouble !== null || props.here)))}
            eyes={trouble !== null}
            textDecorationLine={isChosen ? 'underline' : 'none'}
            numberOfLines={1}
            marginBottom={13}
            style={{ paintOrder: 'stroke' }}
          >
            {siteName}
            {trouble === null ? '' : ` · ${trouble}`}
          </Body>
        </View>
      </DraggableStop>
    </View>
  );
});
