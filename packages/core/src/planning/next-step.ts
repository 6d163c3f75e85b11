import type { Stage } from '../sheet/index.ts';

/** What a person may do next at a visit. */
export type NextStep =
  'set off' | 'arrived' | 'start' | 'go on' | 'look again' | 'leave' | 'nothing';

export interface VisitProgress {
  readonly setOff: boolean;
  readonly arrived: boolean;
  /** Of the sheet the person goes on with. */
  readonly stage: Stage;
}

/** The one next step at a visit. Somebody may forget to set off: arriving is then still offered. */
export function nextStep({ setOff, arrived, stage }: VisitProgress): NextStep {
  if (stage === 'finished' || stage === 'approved') return 'nothing';
  if (stage === 'returned') return 'look again';
  if (arrived) return stage === 'under way' ? 'go on' : 'start';
  return setOff ? 'arrived' : 'set off';
}
