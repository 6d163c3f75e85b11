/** Whether somebody who answers for the place has to sign for a job, as far as that is known. */
export interface SigningKnown {
  /** The job is not finished without it. */
  readonly asked: boolean;
  /** The office does without it, with why. */
  readonly waived: object | null;
  /** Who signed, and when; the last one counts. */
  readonly signed: object | null;
}

/** Whether a job can't be finished yet because the person in charge at the place has not signed. */
export const isUnsigned = (signing: SigningKnown | null | undefined): boolean =>
  signing?.asked === true && signing.waived === null && signing.signed === null;
