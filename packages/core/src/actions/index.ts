export { DAYS_FOR_SEVERITY, isOverdue } from './action.ts';
export {
  ACTION_STATE_RULES,
  ACTION_STATES,
  type ActionMove,
  type ActionState,
  isActionSettled,
  nextActionStates,
  problemWithMove,
} from './action-states.ts';
