import type { Question } from '@ant-trail/core/sheet';
import { ask } from '../../templates/asking.ts';

const known = (key: string, label: string, unit: string, decimals: number): Question =>
  ask('number', { key, label, unit, decimals, required: false, carries: true });

/** What the survey tells of the house: filled in by the office, there to be read. */
export const AGREED_FACTS: readonly Question[] = [
  known('house_volume', 'Air in the house', 'm3', 0),
  known('changes_before', 'Air changes at 50 Pa before', '/h', 1),
  known('changes_agreed', 'Air changes at 50 Pa as agreed', '/h', 1),
  known('use_before', 'Used in a year before', 'kW.h', 0),
  known('use_agreed', 'Used in a year as agreed', 'kW.h', 0),
];

/** What is known of each measure that was agreed. */
const AGREED_WORK: readonly Question[] = [
  ask('text', { key: 'work_measure', label: 'What is agreed', carries: true }),
  ask('number', {
    ...{ key: 'work_area', label: 'Area', unit: 'm2', alsoIn: ['[sft_i]'], decimals: 1 },
    ...{ required: false, carries: true },
  }),
  ask('number', {
    ...{ key: 'work_saving', label: 'Shall save in a year', unit: 'kW.h', decimals: 0 },
    ...{ required: false, carries: true },
  }),
];

/** A row for each measure that was agreed, with what else is asked of it. */
export const worksAsking = (...questions: readonly Question[]): Question =>
  ask('rows', {
    ...{ key: 'works', label: 'Measures', each: 'measure', carries: true, most: 80 },
    questions: [...AGREED_WORK, ...questions],
  });
