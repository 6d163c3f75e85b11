import { covers, STAGE_PATH, type Entry, type PathLog } from '../log/index.ts';
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

/** Where a sheet stands and the entry that moved it there. */
export interface Standing {
  readonly stage: Stage;
  readonly stageEntry: Entry | null;
}

/** Where a sheet stands by the moves people made, whatever happened in it since. */
export function foldStage(log: PathLog, touched: boolean): Standing {
  let best: { rank: number; stage: Stage; entry: Entry } | null = null;
  for (const entry of log.heads) {
    const move = CAUTION[entry.kind];
    if (move && (!best || move.rank >= best.rank)) best = { ...move, entry };
  }
  if (best) return { stage: best.stage, stageEntry: best.entry };
  return { stage: touched ? 'under way' : 'untouched', stageEntry: null };
}

/**
 * Whether an entry came after a finish or an approval: its author's move had not seen it. What the
 * office corrects in a finished sheet is its own doing; an approval stands for nothing but itself.
 */
export function cameAfter(standing: Standing, entry: Entry): boolean {
  const { stage, stageEntry } = standing;
  if (!stageEntry || (stage !== 'finished' && stage !== 'approved')) return false;
  if (entry.path === STAGE_PATH || covers(stageEntry, entry)) return false;
  return stage === 'approved' || entry.kind !== 'correct';
}
