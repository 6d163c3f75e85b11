import { roundDecimal } from '../../measure/index.ts';
import type { KitTells, SheetAnswers, ToldFact } from '../kit.ts';
import { partsAt } from './house.ts';
import { AGREED, PARTS, WORK, WORKS } from './keys/index.ts';
import { surveyOf } from './over-house.ts';
import type { Saving } from './taken-up.ts';

const fact = (key: string, value: number | null, unit?: string): readonly ToldFact[] =>
  value === null
    ? []
    : [{ key, value: roundDecimal(value, 2), ...(unit === undefined ? {} : { unit }) }];

/**
 * What the work order and the check visit are told by a survey: what the house was and shall be, and one row
 * for each measure that is still to be done.
 */
export function toldBySurvey(answers: SheetAnswers): KitTells {
  const survey = surveyOf(answers);
  if (!survey) return { facts: [], rows: [] };
  const { house, savings } = survey;
  const { before, after, houseAfter, each } = savings;
  const changes = (flow: number | null): number | null => flow && flow / house.volume;
  const places = partsAt(answers);
  const work = ({ measure, where, size, saved }: Saving): KitTells['rows'][number] => ({
    ...{ group: WORKS, name: measure.label },
    ...('part' in where ? { like: { group: PARTS, at: places[where.part] ?? -1 } } : {}),
    facts: [
      { key: WORK.measure, value: measure.label },
      ...('part' in where ? fact(WORK.area, size, 'm2') : []),
      ...fact(WORK.saving, Math.round(saved), 'kW.h'),
    ],
  });
  return {
    facts: [
      ...fact(AGREED.volume, house.volume, 'm3'),
      ...fact(AGREED.changesBefore, changes(house.flow50), '/h'),
      ...fact(AGREED.changesThen, changes(houseAfter.flow50), '/h'),
      ...fact(AGREED.useBefore, Math.round(before.total), 'kW.h'),
      ...fact(AGREED.useThen, Math.round(after.total), 'kW.h'),
    ],
    rows: each.filter(({ isDone }) => !isDone).map(work),
  };
}
