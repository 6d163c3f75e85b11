import type { WalkStanding } from '@ant-trail/core/rounds';
import type { MarkName } from '@/design/mark.tsx';

/** What has come of a walk, as a mark; its word stands beside it. */
export const WALK_MARKS: Readonly<Record<WalkStanding, MarkName>> = {
  ahead: 'planned',
  today: 'next',
  'under way': 'under way',
  done: 'approved',
  'in part': 'needs eyes',
  missed: 'late',
  'called off': 'returned',
};
