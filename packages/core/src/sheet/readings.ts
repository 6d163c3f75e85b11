import { inUnit, numberOf } from './kinds/index.ts';
import type { SheetState } from './state.ts';
import { isReading } from './template.ts';
import { everyQuestion } from './every-question.ts';

/** One number of a sheet, for series over time; in its question's unit. */
export interface SheetReading {
  /** The question's path: the same row of the same asset lines up over visits. */
  readonly key: string;
  readonly at: string;
  readonly value: number;
}

/** Every reading in a sheet that was typed or measured. */
export function readingsOf(sheet: SheetState): SheetReading[] {
  const readings: SheetReading[] = [];
  for (const { state } of everyQuestion(sheet)) {
    const { question, answer, path } = state;
    if (!answer || !isReading(question)) continue;
    const value = numberOf(answer.value);
    if (value !== null)
      readings.push({
        key: path,
        at: answer.entry.at,
        value: inUnit(value, answer.unit, question.unit),
      });
  }
  return readings;
}
