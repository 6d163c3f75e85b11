/**
 * How much one expression may do: about a hundredth of a second on a slow phone. What a template may
 * publish stays within it at its largest; a sheet that grew beyond stops here, and says so.
 */
export const STEP_BUDGET = 1_000_000;

/** An expression did more than any may. */
export class OverBudget extends Error {
  override name = 'OverBudget';
}

/** Counts what an evaluation does, and stops it at the end of its budget. */
export class Meter {
  private left = STEP_BUDGET;

  take(steps: number): void {
    this.left -= steps;
    if (this.left < 0) throw new OverBudget('This rule does too much.');
  }

  get used(): number {
    return STEP_BUDGET - this.left;
  }
}
