/** What a person may do next at a visit. */
export type NextStep = 'set off' | 'arrived' | 'start' | 'go on' | 'look again' | 'nothing';

export interface VisitProgress {
  readonly setOff: boolean;
  readonly arrived: boolean;
  readonly stage: 'untouched' | 'under way' | 'finished' | 'returned' | 'approved';
}

/** The one next step at a visit. Somebody may forget to set off: arriving is then still offered. */
export function nextStep({ setOff, arrived, stage }: VisitProgress): NextStep {
  if (stage === 'finished' || stage === 'approved') return 'nothing';
  if (stage === 'returned') return 'look again';
  if (stage === 'under way') return 'go on';
  if (arrived) return 'start';
  return setOff ? 'arrived' : 'set off';
}
