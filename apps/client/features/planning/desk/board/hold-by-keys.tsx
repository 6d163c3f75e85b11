import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { planMinute } from '@ant-trail/core/planning/board';
import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Body } from '@/design/text.tsx';
import { placingOf } from './board-stops.ts';
import { holdAt, letGo, takeUp, useHand } from './in-hand.ts';

const STEP = 5;
const LONG_STEP = 30;

export interface HoldByKeysProps {
  /** People in the order they stand on the board. */
  readonly people: readonly string[];
  /** What it would come to where the stop is held now. */
  readonly say: () => string;
  readonly onPutDown: (stop: BoardStop) => void;
}

/** Takes a stop up by a key, at the place it has. */
export const takeUpByKey = (stop: BoardStop, person: string | null, day: string): void =>
  takeUp(stop, { ...placingOf(stop), person: stop.visit.person ?? person, day }, 'keys');

/** A stop that was taken up goes along with the arrow keys until it is put down. */
export function HoldByKeys({ people, say, onPutDown }: HoldByKeysProps) {
  const inHand = useHand((state) => state.inHand);
  const held = inHand?.by === 'keys' ? inHand : null;
  const keys = { enabled: held !== null, preventDefault: true };
  const later = (minutes: number): void => {
    if (held) holdAt({ ...held.to, start: planMinute(held.to.start + minutes) });
  };
  const toPerson = (by: number): void => {
    if (!held) return;
    const at = held.to.person === null ? -1 : people.indexOf(held.to.person);
    const next = at + by;
    // Above the first of them is nobody.
    if (next < people.length) holdAt({ ...held.to, person: people[next] ?? null });
  };
  useHotkeys('left', () => later(-STEP), keys);
  useHotkeys('right', () => later(STEP), keys);
  useHotkeys('shift+left', () => later(-LONG_STEP), keys);
  useHotkeys('shift+right', () => later(LONG_STEP), keys);
  useHotkeys('up', () => toPerson(-1), keys);
  useHotkeys('down', () => toPerson(1), keys);
  useHotkeys('esc', letGo, keys);
  useHotkeys('enter', () => held && onPutDown(held.stop), keys);
  // Another person’s lane draws it anew: whoever holds it stays with it.
  useEffect(() => {
    if (!held) return;
    document
      .querySelector<HTMLElement>(`[data-visit="${held.stop.visit.id}"] button`)
      ?.focus({ preventScroll: false });
  }, [held]);
  useEffect(() => letGo, []);
  return (
    <Body small strong role="status" paddingTop={held ? '$2' : 0}>
      {held ? `${say()} Arrows move it, Enter puts it down, Esc leaves it.` : ''}
    </Body>
  );
}
