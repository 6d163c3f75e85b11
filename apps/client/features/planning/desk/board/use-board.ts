import { BoardAnswer, BoardPeople, BoardWays } from '@ant-trail/contract/planning/desk';
import { may } from '@ant-trail/core/accounts';
import type { Placing } from '@ant-trail/core/planning/board';
import { useEffect, useMemo } from 'react';
import { useOffice, type About } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { waysBetween, withPlacings } from './board-stops.ts';
import { useHand } from './in-hand.ts';
import { answerCame, usePlanSteps } from './plan-steps.ts';

const STOPS: About = ['visit', 'sheet', 'site'];

/** The visits of some days with everybody who may have them, as they are and as they are being put. */
export function useBoard(from: string, days: number) {
  const { answer, problem } = useOffice(BoardAnswer, `/api/board?from=${from}&days=${days}`, STOPS);
  const hours = useOffice(BoardPeople, '/api/board/people', ['person']).answer?.people;
  const ways = useOffice(BoardWays, days === 1 ? `/api/board/ways?day=${from}` : null, [
    ...STOPS,
    'map',
  ]).answer;
  const people = usePeople();
  const pending = usePlanSteps((state) => state.pending);
  const inHand = useHand((state) => state.inHand);
  useEffect(answerCame, [answer]);
  const kept = answer?.stops;
  const stops = useMemo(() => withPlacings(kept ?? [], pending), [kept, pending]);
  const shown = useMemo(() => {
    if (inHand?.by !== 'keys') return stops;
    const { stop, to } = inHand;
    const known = stops.some(({ visit }) => visit.id === stop.visit.id) ? stops : [...stops, stop];
    return withPlacings(known, new Map<string, Placing>([[stop.visit.id, to]]));
  }, [stops, inHand]);
  return {
    ...{ problem, stops: shown, loaded: answer !== undefined, hours: hours ?? [], people },
    walkers: useMemo(() => people.list.filter(({ roles }) => may(roles, 'walk')), [people.list]),
    way: useMemo(() => waysBetween(shown, ways), [shown, ways]),
  };
}
export type Board = ReturnType<typeof useBoard>;
