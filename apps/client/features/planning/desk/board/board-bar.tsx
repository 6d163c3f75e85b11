import { addDays, weekdayOf } from '@ant-trail/core/calendar';
import type { ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { sayDay, sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { useCommandKey } from '@/design/use-command-key.ts';
import { redoStep, undoStep, usePlanSteps } from './plan-steps.ts';

export const BOARD_VIEWS = [
  { value: 'day', label: 'Day' },
  { value: 'week', label: 'Week' },
  { value: 'month', label: 'Month' },
] as const;
export type BoardView = (typeof BOARD_VIEWS)[number]['value'];

export const mondayOf = (day: string): string => addDays(day, 1 - weekdayOf(day));

const inMonth = (day: string, by: number): string => {
  const [year = 0, month = 1] = day.split('-').map(Number);
  const at = new Date(Date.UTC(year, month - 1 + by, 1));
  return at.toISOString().slice(0, 10);
};

/** The day one comes to by going a step back or on. */
export function stepFrom(day: string, view: BoardView, by: -1 | 1): string {
  if (view === 'month') return inMonth(day, by);
  return addDays(day, view === 'week' ? by * 7 : by);
}

const monthFormat = new Intl.DateTimeFormat('en-GB', {
  ...{ month: 'long', year: 'numeric', timeZone: 'UTC' },
});

/** What is looked at, in words. */
export function sayView(day: string, view: BoardView): string {
  if (view === 'day') return sayDay(day);
  if (view === 'month') return monthFormat.format(new Date(`${day}T00:00:00Z`));
  const monday = mondayOf(day);
  return `${sayShortDay(monday)} to ${sayShortDay(addDays(monday, 6))}`;
}

export interface BoardNavigationProps {
  readonly view: BoardView;
  readonly isNow: boolean;
  readonly onView: (view: BoardView) => void;
  readonly onStep: (by: -1 | 1) => void;
  readonly onToday: () => void;
}

export function BoardNavigation(props: BoardNavigationProps) {
  const { view, isNow, onView, onStep, onToday } = props;
  return (
    <Row gap="$3" flexWrap="wrap" flexShrink={1}>
      <Segments label="How far" options={BOARD_VIEWS} chosen={[view]} onPress={onView} />
      <Row gap="$2">
        <Button dense repeats onPress={() => onStep(-1)}>
          ‹ Before
        </Button>
        <Button dense onPress={onToday} disabled={isNow}>
          Today
        </Button>
        <Button dense repeats onPress={() => onStep(1)}>
          After ›
        </Button>
      </Row>
    </Row>
  );
}

/** The last step of planning taken back, or done again, also by the keys every program has for it. */
export function Undo() {
  const { steps, problem, said } = usePlanSteps();
  const [last, undone] = [steps.done.at(-1), steps.undone.at(-1)];
  useCommandKey('mod+shift+z', redoStep);
  return (
    <>
      <UndoKey />
      {last ? (
        <Button dense repeats label={`Undo: ${last.words}`} onPress={() => undoStep()}>
          Undo
        </Button>
      ) : null}
      {undone ? (
        <Button dense repeats label={`Do again: ${undone.words}`} onPress={() => redoStep()}>
          Do again
        </Button>
      ) : null}
      <Body small role="status" quiet={problem === null} eyes={problem !== null} flexShrink={1}>
        {problem ?? said}
      </Body>
    </>
  );
}

/** Within a field the same keys take back what was written. */
function UndoKey() {
  useCommandKey('mod+z', () => {
    const at = document.activeElement;
    const writes = at instanceof HTMLInputElement || at instanceof HTMLTextAreaElement;
    if (!writes && !document.querySelector('dialog[open]')) void undoStep();
  });
  return null;
}

export interface BoardFilter {
  readonly words: string;
  readonly onlyMisfits: boolean;
}

export interface NarrowBoardProps {
  readonly filter: BoardFilter;
  readonly onFilter: (filter: BoardFilter) => void;
  /** Only where a day is judged as a whole. */
  readonly judged: boolean;
  readonly children?: ReactNode;
}

export function NarrowBoard({ filter, onFilter, judged, children }: NarrowBoardProps) {
  return (
    <Row gap="$3" flexWrap="wrap" alignItems="flex-end" flexShrink={1}>
      <Column width={240} maxWidth="100%">
        <Input
          label="Person, place or work"
          value={filter.words}
          onChange={(words) => onFilter({ ...filter, words })}
        />
      </Column>
      {judged ? (
        <Tick
          label="Only what does not fit"
          on={filter.onlyMisfits}
          onPress={() => onFilter({ ...filter, onlyMisfits: !filter.onlyMisfits })}
        />
      ) : null}
      {children}
    </Row>
  );
}
