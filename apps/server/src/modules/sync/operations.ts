import { taker, type OperationTaker } from '../../phones/operation.ts';
import { actionTaker } from '../actions/take-actions.ts';
import { entryTaker } from '../capture/take-entries.ts';
import { addedSheetTaker } from '../planning/take-added-sheets.ts';
import { openingTaker } from '../arrival/take-openings.ts';
import { begunJobTaker } from '../planning/take-begun-jobs.ts';
import { favouriteTaker } from '../planning/favourites.ts';
import { handoverTaker } from '../planning/take-handovers.ts';
import { leftOutTaker } from '../planning/take-left-out.ts';
import { messageSeenTaker, messageTaker } from '../messages/take-messages.ts';
import { onTheWayTaker } from '../messages/take-on-the-way.ts';
import { ownOrderTaker } from '../planning/take-own-order.ts';
import { signedTaker } from '../planning/take-signed.ts';
import { visitEventTaker } from '../planning/take-visit-events.ts';
import { feedbackTaker } from '../feedback/feedback.ts';
import { foundPlaceTaker } from '../sites/take-found.ts';
import { siteNoteTaker } from '../sites/take-notes.ts';
import { boundTagTaker } from '../tags/take-bound-tags.ts';
import { clockTaker, siteTimeTaker } from '../timesheet/take-clock.ts';

/**
 * Every kind of operation the office takes, in the order it takes them: a place before a job there, a job before its sheets, steps
 * of a visit before what was done there, and what was done before it is handed over.
 */
export const TAKERS: readonly OperationTaker[] = [
  taker(foundPlaceTaker),
  taker(begunJobTaker),
  taker(addedSheetTaker),
  taker(leftOutTaker),
  taker(visitEventTaker),
  taker(entryTaker),
  taker(signedTaker),
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
  taker(favouriteTaker),
  taker(ownOrderTaker),
];
