import { addDays } from '../calendar/index.ts';
import type { FollowUp, Severity, Told } from '../sheet/index.ts';

/** A fault, or worse. */
const AMISS: Severity = 2;

/** Whether a job follows a sheet, by the worst that was found in it and by what was said. */
export const isFollowed = (
  { when, only }: FollowUp,
  { worst, said }: { readonly worst: Severity } & Pick<Told, 'said'>,
): boolean =>
  (when === 'always' || worst >= AMISS) && (!only || said[only.question] === only.answer);

/** The day of the next job: so many days after the sheet was finished, and never one that is over. */
export function followUpDay({ days }: FollowUp, finished: string, today: string): string {
  const day = addDays(finished, days);
  return day < today ? today : day;
}
