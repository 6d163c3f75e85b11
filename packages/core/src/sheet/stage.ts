import type { Entry, PathLog } from '../log/index.ts';
import type { Stage } from './state.ts';

/**
 * When people moved a sheet without having seen each other's move, the more careful one stands:
 * a return before a finish, a finish before an approval.
 */
const CAUTION: Partial<Record<Entry['kind'], { rank: number; stage: Stage }>> = {
  return: { rank: 3, stage: 'returned' },
  finish: { rank: 2, stage: 'finished' },
  approve: { rank: 1, stage: 'approved' },
};

export function foldStage(
  log: PathLog,
  touched: boolean,
): { stage: Stage; stageEntry: Entry | null } {
  let best: { rank: number; stage: Stage; entry: Entry } | null = null;
  for (const entry of log.heads) {
    const move = CAUTION[entry.kind];
    if (move && (!best || move.rank >= best.rank)) best = { ...move, entry };
  }
  if (best) return { stage: best.stage, stageEntry: best.entry };
  return { stage: touched ? 'under way' : 'untouched', stageEntry: null };
}
