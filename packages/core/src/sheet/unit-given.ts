import { rulesOf } from './kinds/index.ts';
import type { Question } from './template.ts';

/** Says why a value can't be given in this unit (UCUM); null when it can. */
export function problemWithUnit(question: Question, unit: string | undefined): string | null {
  const units = rulesOf(question).units?.(question) ?? [];
  if (units.length === 0 || (unit !== undefined && units.includes(unit))) return null;
  return `give the value in ${units.join(' or ')}.`;
}
