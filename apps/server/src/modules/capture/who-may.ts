import { may } from '@ant-trail/core/accounts';
import type { Entry } from '@ant-trail/core/log';
import { isHold } from '@ant-trail/core/sheet';
import type { Session } from '../../http/session.ts';
import { ANOTHERS_NAME } from '../../phones/operation.ts';
import type { SheetToWriteIn } from './sheets-to-write-in.ts';

type Author = Pick<Session, 'person' | 'roles'>;

const reviews = ({ roles }: Author): boolean => may(roles, 'review');

/** Who may write what: the assigned person answers; reviewers correct, return and approve. */
export function problemWithAuthor(
  entry: Entry,
  author: Author,
  { writers, losers }: Pick<SheetToWriteIn, 'writers' | 'losers'>,
): string | null {
  if (entry.by !== author.person) return ANOTHERS_NAME;
  if (entry.kind === 'prepare')
    return may(author.roles, 'plan') ? null : 'Only whoever plans fills in beforehand.';
  const reviewer = reviews(author);
  if (entry.kind === 'correct' || entry.kind === 'return' || entry.kind === 'approve')
    return reviewer ? null : 'Only a reviewer can do this.';
  if (writers.has(author.person)) return null;
  if (losers.has(author.person))
    return entry.kind === 'finish'
      ? 'The visit was given to somebody else, who finishes the sheet. The office has what you answered.'
      : null;
  // A hold point is for somebody else to pass, under their own sign-in.
  if (entry.kind === 'answer' && isHold(entry.value) && entry.value.person === author.person)
    return null;
  // Taking something away is a correction too, when it says why.
  if (reviewer && entry.kind === 'clear' && entry.reason?.trim()) return null;
  return reviewer
    ? 'This sheet is somebody else’s: correct it, with a reason.'
    : 'This job is not yours. What you wrote stays on this phone: ask the office to give you the visit.';
}

/** Whether the office may still fill this in beforehand: not what somebody has said already. */
export function problemWithPreparing(
  entry: Entry,
  sheet: Pick<SheetToWriteIn, 'stage' | 'isSaid'>,
): string | null {
  if (entry.kind !== 'prepare') return null;
  if (sheet.stage !== 'under way') return 'This sheet is filled in by now: correct it instead.';
  return sheet.isSaid(entry.path) ? 'Somebody at the place has answered this by now.' : null;
}

/** Whether a sheet may be moved so, from where it stands and by whom. */
export function problemWithMove(
  entry: Entry,
  author: Author,
  sheet: Pick<SheetToWriteIn, 'writers' | 'stage' | 'stageHeads' | 'workers'>,
): string | null {
  if (entry.kind !== 'approve' && entry.kind !== 'return') return null;
  if (
    entry.kind === 'approve' &&
    (sheet.writers.has(author.person) || sheet.workers.has(author.person))
  )
    return 'Somebody else has to approve what you worked on yourself.';
  if (sheet.stage !== 'finished' && !(entry.kind === 'return' && sheet.stage === 'approved'))
    return entry.kind === 'approve'
      ? 'This sheet is not finished: there is nothing to approve yet.'
      : 'This sheet is not finished: there is nothing to return yet.';
  if (!sheet.stageHeads.every((id) => entry.seen.includes(id)))
    return 'The sheet was moved on while you read it. Load it anew and look again.';
  return null;
}
