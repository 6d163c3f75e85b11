import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { planMinute, type Placing } from '@ant-trail/core/planning/board';
import {
  DndContext,
  DragOverlay,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type Active,
  type DragMoveEvent,
} from '@dnd-kit/core';
import { View } from '@tamagui/core';
import type { CSSProperties, KeyboardEvent, ReactNode } from 'react';
import { Leaf } from '@/design/box.tsx';
import { Body } from '@/design/text.tsx';
import { holdAt, letGo, takeUp, useHand } from './in-hand.ts';
import { placingOf } from './board-stops.ts';

/** Where a stop can be put. A lane knows the minute at a place of it; elsewhere the time stays. */
export interface Ground {
  readonly person: string | null;
  readonly day: string;
  /** The minute at so many pixels from its left edge, and how many minutes a pixel is. */
  readonly minuteAt?: (px: number) => number;
  readonly minutesPerPx?: number;
}

interface Dragged {
  readonly stop: BoardStop;
  /** Not on the chart yet: the pointer says when, not how far it went. */
  readonly loose: boolean;
}

/** What was put at the thing that is dragged. */
const draggedOf = ({ data }: Active): Dragged => data.current as unknown as Dragged;

function placingOver({ active, over, delta, activatorEvent }: DragMoveEvent): Placing | null {
  const { stop, loose } = draggedOf(active);
  const ground = over?.data.current as unknown as Ground | undefined;
  if (!over || !ground) return null;
  const { person, day, minuteAt, minutesPerPx } = ground;
  const pointer = 'clientX' in activatorEvent ? Number(activatorEvent.clientX) : 0;
  const start = !minuteAt
    ? stop.visit.start
    : loose
      ? minuteAt(pointer + delta.x - over.rect.left)
      : stop.visit.start + delta.x * (minutesPerPx ?? 0);
  return { person, day, start: minuteAt ? planMinute(start) : stop.visit.start };
}

export interface DragBoardProps {
  readonly children: ReactNode;
  readonly say: (stop: BoardStop, to: Placing) => string;
  readonly onPutDown: (stop: BoardStop, to: Placing) => void;
}

/** Within this stops are dragged from person to person and from hour to hour. */
export function DragBoard({ children, say, onPutDown }: DragBoardProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      // The day scrolls up and down where one comes to its edge, and never sideways.
      autoScroll={{ threshold: { x: 0, y: 0.1 } }}
      onDragStart={({ active }) => {
        const { stop } = draggedOf(active);
        takeUp(stop, placingOf(stop), 'pointer');
      }}
      onDragMove={(event) => {
        const { stop } = draggedOf(event.active);
        holdAt(placingOver(event) ?? placingOf(stop));
      }}
      onDragEnd={(event) => {
        const { stop } = draggedOf(event.active);
        const to = placingOver(event);
        letGo();
        if (to) onPutDown(stop, to);
      }}
      onDragCancel={letGo}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        <InTheAir say={say} />
      </DragOverlay>
    </DndContext>
  );
}

function InTheAir({ say }: Pick<DragBoardProps, 'say'>) {
  const inHand = useHand((state) => state.inHand);
  if (inHand?.by !== 'pointer') return null;
  return (
    <Leaf strong padding="$2" alignSelf="flex-start" maxWidth={300} cursor="grabbing">
      <Body small strong>
        {inHand.stop.siteName}
      </Body>
      <Body tiny>{say(inHand.stop, inHand.to)}</Body>
    </Leaf>
  );
}

export interface DraggableStopProps {
  readonly stop: BoardStop;
  readonly loose?: boolean;
  readonly disabled: boolean;
  /** Takes it up by a key. */
  readonly onKey: () => void;
  readonly style?: CSSProperties;
  readonly children: ReactNode;
}

/** A stop that can be dragged, or taken up by M. The button within it opens it. */
export function DraggableStop(props: DraggableStopProps) {
  const { stop, loose = false, disabled, onKey, style, children } = props;
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: stop.visit.id,
    data: { stop, loose },
    disabled,
  });
  const take = (event: KeyboardEvent): void => {
    const plain = !event.ctrlKey && !event.metaKey && !event.altKey;
    if (disabled || !plain || event.key.toLowerCase() !== 'm') return;
    event.preventDefault();
    onKey();
  };
  return (
    <div
      ref={setNodeRef}
      data-visit={stop.visit.id}
      {...listeners}
      onKeyDown={take}
      style={{
        ...(disabled ? {} : { cursor: 'grab', touchAction: 'none' }),
        opacity: isDragging ? 0.35 : 1,
        ...style,
      }}
    >
      {children}
    </div>
  );
}

/** Ground a stop can be put down on; marked while one is above it. */
export function DropGround({
  id,
  ground,
  children,
}: {
  readonly id: string;
  readonly ground: Ground;
  readonly children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id, data: { ...ground } });
  return (
    <div ref={setNodeRef} style={{ position: 'relative', flex: 1, minWidth: 0 }}>
      {isOver ? (
        <View
          position="absolute"
          inset={0}
          backgroundColor="$touch"
          borderWidth={2}
          borderColor="$sun"
          borderStyle="dashed"
          style={{ pointerEvents: 'none' }}
        />
      ) : null}
      {children}
    </div>
  );
}
