import type { Question } from '@ant-trail/core/sheet';
import { ask } from '../../templates/asking.ts';

/** What is read at one point of a fan test. */
export const points = (pressure: string, flow: string): Question[] => [
  ask('number', {
    ...{ key: pressure, label: 'Pressure', unit: 'Pa', decimals: 1 },
    checks: [
      {
        must: `${pressure} > 0.0`,
        words: 'Enter the difference without a sign: it is above 0 Pa.',
      },
    ],
  }),
  ask('number', {
    ...{ key: flow, label: 'Flow', unit: 'm3/h', alsoIn: ['[cft_i]/min'], decimals: 0 },
    checks: [{ must: `${flow} > 0.0`, words: 'A fan that runs moves air: the flow is above 0.' }],
  }),
];
