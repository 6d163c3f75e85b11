import type { Stage } from '../sheet/index.ts';

/** What somebody is at a job for: one leads, others help. */
export const PARTS = ['leads', 'helps'] as const;
export type Part = (typeof PARTS)[number];

/** Whose a sheet is: one person's, or everybody's who is at the job. */
export interface OwnedSheet {
  readonly person: string | null;
}

/** Whether somebody who is at the job fills in this sheet. */
export const isTheirs = ({ person }: OwnedSheet, who: string): boolean =>
  person === null || person === who;

/** A sheet that somebody may have gone past, with a reason. */
export interface PassableSheet {
  readonly stage: Stage;
  readonly leftOut: object | null;
}

/** Whether a sheet is left out: somebody said so, and nobody has begun it since. */
export const isLeftOut = ({ stage, leftOut }: PassableSheet): boolean =>
  leftOut !== null && stage === 'untouched';

const ORDER: readonly Stage[] = ['returned', 'under way', 'untouched', 'finished', 'approved'];

/**
 * The sheet somebody goes on with: what came back first, then what is begun, then what is not. The
 * first of them in the job's own order; what is left out only where nothing else is there. Null without any.
 */
export function sheetToGoOn<Sheet extends PassableSheet>(sheets: readonly Sheet[]): Sheet | null {
  for (const stage of ORDER) {
    const found = sheets.find((sheet) => sheet.stage === stage && !isLeftOut(sheet));
    if (found) return found;
  }
  return sheets[0] ?? null;
}

/** Whether nothing is left to fill in. */
export const allFinished = (sheets: readonly { readonly stage: Stage }[]): boolean =>
  sheets.every(({ stage }) => stage === 'finished' || stage === 'approved');
