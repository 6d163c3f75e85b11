import type { OrderAnswer, BoardStop } from '@ant-trail/contract/planning/desk';
import { useState } from 'react';
import { cardsWith, changedIn, plansFor } from './in-order.ts';
import { useBetterOrder } from './use-better-order.ts';

type Change = OrderAnswer['changes'][number];

/** A better order of the day as it is looked for, shown and taken, part by part. */
export function useOrderOfDay(day: string, cards: readonly BoardStop[]) {
  const { order, looking, problem, look, stop, close } = useBetterOrder(day);
  const [settled, setSettled] = useState<readonly Change[]>([]);
  const [evenly, setEvenly] = useState(false);
  const open = (order?.changes ?? []).filter((change) => !settled.includes(change));
  const plans = order ? plansFor(order, open, cards) : [];
  return {
    isOpen: order !== null || looking || problem !== null,
    /** The day with all that is still open taken. */
    shown: cardsWith(cards, plans),
    changed: changedIn(open),
    panel: {
      ...{ day, order, looking, problem, open, cards, evenly, onStop: stop, onClose: close },
      onLook: (even: boolean): void => {
        setSettled([]);
        setEvenly(even);
        void look(even);
      },
      onSettled: (changes: readonly Change[]): void => setSettled([...settled, ...changes]),
    },
  };
}
