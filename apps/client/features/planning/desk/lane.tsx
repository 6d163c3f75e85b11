import type { VisitCard } from '@ant-trail/contract/planning';
import { sayMinute } from '@ant-trail/core/calendar';
import { layLane, type LanePoint } from '@ant-trail/core/planning';
import { useTheme, View } from '@tamagui/core';
import Svg, { Line, Polyline } from 'react-native-svg';
import { Mark } from '@/design/mark.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
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

const inOrder = (cards: readonly VisitCard[]): VisitCard[] =>
  [...cards].sort((a, b) => a.visit.start - b.visit.start);

export interface LaneProps {
  readonly cards: readonly VisitCard[];
  readonly now: number | null;
  readonly width: number;
  readonly x: (minute: number) => number;
  readonly onOpen: (card: VisitCard) => void;
  readonly before?: readonly VisitCard[];
  readonly changed?: ReadonlySet<string>;
}

/** One person's day: time to the right, the way along the day downwards. */
export function LaneDrawing(props: LaneProps) {
  const { cards, now, width, x, onOpen, before, changed } = props;
  const theme = useTheme();
  const { organisation } = useMe();
  const ordered = inOrder(cards);
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
              stroke={theme.lake.get()}
              strokeWidth={3}
            />
          ),
        )}
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
        const stop = stops[index];
        if (!card || !stop) return null;
        const left = x(mark.minute);
        const room = Math.min(WIDEST, width - left - 22);
        const words = sayStop(card, stop, now);
        const late = words.endsWith('late');
        const open = card.job.state === 'planned' || card.job.state === 'under way';
        return (
          <View
            key={mark.id}
            role="listitem"
            position="absolute"
            left={left - 11}
            top={y(mark.depth) - BOX.above}
            maxWidth={room + 24}
          >
            <View
              render="button"
              aria-label={
                late
                  ? `${card.siteName} · ${words}, ${sayMinute(card.visit.start)}, ${card.job.state}`
                  : `${card.siteName}, ${sayMinute(card.visit.start)}, ${words}`
              }
              height={BOX.height}
              flexDirection="row"
              alignItems="flex-end"
              gap={5}
              cursor="pointer"
              maxWidth="100%"
              onPress={() => onOpen(card)}
            >
              <View>
                <Mark
                  name={changed?.has(mark.id) ? 'next' : markOf(card, mark.state)}
                  size={22}
                  silent
                />
              </View>
              <Body
                tiny
                strong={changed ? changed.has(mark.id) : open && (late || mark.state === 'here')}
                eyes={late}
                numberOfLines={1}
                marginBottom={13}
                style={{ paintOrder: 'stroke' }}
              >
                {card.siteName}
                {late ? ` · ${words}` : ''}
              </Body>
            </View>
          </View>
        );
      })}
    </View>
  );
}
