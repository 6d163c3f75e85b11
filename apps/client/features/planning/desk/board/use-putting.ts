import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { isSamePlace, type Placing } from '@ant-trail/core/planning/board';
import { lanesOf, placingOf } from './board-stops.ts';
import { sayMisfit, sayPlacing } from './board-words.ts';
import { letGo, useHand } from './in-hand.ts';
import { takeStep } from './plan-steps.ts';
import type { Board } from './use-board.ts';

/** Stops are put elsewhere: what that would come to, and doing it. */
export function usePutting({ stops, hours, way, people, walkers }: Board, today: string) {
  const sayTo = (stop: BoardStop, to: Placing): string => {
    const where = sayPlacing(to, people.name, stop.visit.day, today);
    const moved = { ...stop, visit: { ...stop.visit, ...to } };
    const all = [...stops.filter(({ visit }) => visit.id !== stop.visit.id), moved];
    const [lane] = lanesOf({
      ...{ day: to.day, hours, stops: all, way },
      people: walkers.filter(({ id }) => id === to.person),
    });
    const misfit = lane?.misfits.find(({ visit }) => visit === stop.visit.id);
    if (!misfit) return where;
    const names = new Map(all.map(({ visit, siteName }) => [visit.id, siteName]));
    return `${where}: ${sayMisfit(misfit, (id) => names.get(id) ?? '')}`;
  };
  const putDown = (stop: BoardStop, to: Placing): void => {
    const from = placingOf(stop);
    // Where it stood already nothing is planned.
    if (isSamePlace(from, to)) return;
    const words = `${stop.siteName} to ${sayPlacing(to, people.name, from.day, today)}`;
    void takeStep({ words, moves: [{ visit: stop.visit.id, from, to }] });
  };
  const putDownHeld = (stop: BoardStop): void => {
    const { inHand } = useHand.getState();
    letGo();
    if (inHand) putDown(stop, inHand.to);
  };
  const sayHeld = (): string => {
    const { inHand } = useHand.getState();
    return inHand ? `${inHand.stop.siteName}: ${sayTo(inHand.stop, inHand.to)}.` : '';
  };
  return { sayTo, putDown, putDownHeld, sayHeld };
}
