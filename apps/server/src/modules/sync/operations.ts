import { taker, type OperationTaker } from '../../phones/operation.ts';
import { actionTaker } from '../actions/take-actions.ts';
import { entryTaker } from '../capture/take-entries.ts';
import { addedSheetTaker } from '../planning/take-added-sheets.ts';
import { openingTaker } from '../arrival/take-openings.ts';
import { begunJobTaker } from '../planning/take-begun-jobs.ts';
import { handoverTaker } from '../planning/take-handovers.ts';
import { leftOutTaker } from '../planning/take-left-out.ts';
import { messageSeenTaker, messageTaker } from '../messages/take-messages.ts';
import { onTheWayTaker } from '../messages/take-on-the-way.ts';
import { visitEventTaker } from '../planning/take-visit-events.ts';
import { feedbackTaker } from '../feedback/feedback.ts';
import { siteNoteTaker } from '../sites/take-notes.ts';
import { boundTagTaker } from '../tags/take-bound-tags.ts';
import { clockTaker, siteTimeTaker } from '../timesheet/take-clock.ts';

/**
 * Every kind of operation the office takes, in the order it takes them: a job before its sheets, steps
 * of a visit before what was done there, and what was done before it is handed over.
 */
export const TAKERS: readonly OperationTaker[] = [
  taker(begunJobTaker),
  taker(addedSheetTaker),
  taker(leftOutTaker),
  taker(visitEventTaker),
  taker(entryTaker),
  taker(onTheWayTaker),
  taker(handoverTaker),
  taker(actionTaker),
  taker(siteNoteTaker),
  taker(boundTagTaker),
  taker(openingTaker),
  taker(feedbackTaker),
  taker(clockTaker),
  taker(siteTimeTaker),
  taker(messageTaker),
  taker(messageSeenTaker),
];
