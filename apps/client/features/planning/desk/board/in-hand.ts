import type { BoardStop } from '@ant-trail/contract/planning/desk';
import type { Placing } from '@ant-trail/core/planning/board';
import { create } from 'zustand';

/** A stop that was taken up: by keys it already shows where it would be put down. */
export interface InHand {
  readonly stop: BoardStop;
  readonly to: Placing;
  readonly by: 'keys' | 'pointer';
}

interface HandState {
  readonly inHand: InHand | null;
  /** The stop that is looked at, on the chart and on the map. */
  readonly chosen: string | null;
  /** The person whose way the map shows. */
  readonly person: string | null;
}

export const useHand = create<HandState>(() => ({ inHand: null, chosen: null, person: null }));

export const takeUp = (stop: BoardStop, to: Placing, by: InHand['by']): void =>
  useHand.setState({ inHand: { stop, to, by } });
export const letGo = (): void => useHand.setState({ inHand: null });
export const holdAt = (to: Placing): void =>
  useHand.setState(({ inHand }) => (inHand ? { inHand: { ...inHand, to } } : {}));
export const lookAtStop = (visit: string | null, person: string | null): void => {
  const { chosen, person: before } = useHand.getState();
  if (chosen !== visit || before !== person) useHand.setState({ chosen: visit, person });
};
