import { actionTaker } from '../actions/take-actions.ts';
import { entryTaker } from '../capture/take-entries.ts';
import { visitEventTaker } from '../planning/take-visit-events.ts';
import { taker, type OperationTaker } from './operation.ts';

/** Every kind of operation the office takes. Steps of a visit come before what was done there. */
export const TAKERS: readonly OperationTaker[] = [
  taker(visitEventTaker),
  taker(entryTaker),
  taker(actionTaker),
];
