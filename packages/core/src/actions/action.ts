import type { Severity } from '../sheet/severity.ts';
import { ACTION_STATE_RULES, type ActionState } from './action-states.ts';

/** What is needed to say how urgent an action is. Dates are local days, "2031-04-05". */
export interface ActionUrgency {
  readonly state: ActionState;
  readonly severity: Severity;
  readonly dueOn: string;
}

/** Overdue: not yet done, and the due day is past. On the day itself it is not. */
export function isOverdue(action: ActionUrgency, today: string): boolean {
  return ACTION_STATE_RULES[action.state].toDo && action.dueOn < today;
}

/** How many days a severity is given by default (our own choice, no source). */
export const DAYS_FOR_SEVERITY: Record<Severity, number> = {
  0: 90,
  1: 30,
  2: 14,
  3: 7,
  4: 1,
};
