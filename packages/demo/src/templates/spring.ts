import type { DemoTemplate } from './demo-template.ts';
import { closing, yesNo } from './round.ts';

export const SPRING: DemoTemplate = {
  key: 'spring',
  version: 2,
  usual: {
    flow: { mean: 8.2, scatter: 0.35, season: -1.6 },
    turbidity: { mean: 0.4, scatter: 0.08 },
    ph: { mean: 7.4, scatter: 0.08 },
    temperature: { mean: 7.2, scatter: 0.2, season: 1.1 },
  },
  body: {
    title: 'Spring and cistern reading',
    sections: [
      {
        id: 'water',
        title: 'Water',
        questions: [
          {
            kind: 'number',
            key: 'flow',
            label: 'Flow over the weir',
            unit: 'L/s',
            decimals: 1,
            expected: { low: 4, high: 14 },
            required: true,
            whenAmiss: {
              reason: true,
              severity: 2,
              action: 'Look for a leak above the weir',
            },
          },
          {
            kind: 'number',
            key: 'turbidity',
            label: 'Turbidity',
            unit: '[NTU]',
            decimals: 2,
            expected: { high: 1 },
            required: true,
            whenAmiss: {
              photo: true,
              severity: 3,
              action: 'Take a sample and shut the intake',
            },
          },
          {
            kind: 'number',
            key: 'ph',
            label: 'Acidity',
            unit: '[pH]',
            decimals: 1,
            expected: { low: 6.5, high: 9.5 },
            required: true,
          },
          {
            kind: 'number',
            key: 'temperature',
            label: 'Temperature',
            unit: 'Cel',
            decimals: 1,
            expected: { low: 3, high: 12 },
            required: true,
          },
        ],
      },
      {
        id: 'works',
        title: 'Works',
        questions: [
          yesNo('fence', 'Fence whole and gate locked?', 'Mend the fence'),
          yesNo('screen', 'Screen free of leaves?', 'Clear the screen'),
          {
            kind: 'choice',
            key: 'tracks',
            label: 'Traces of animals above the intake',
            required: true,
            options: [
              { key: 'none', label: 'None', severity: 0 },
              { key: 'old', label: 'Old ones', severity: 0 },
              { key: 'fresh', label: 'Fresh ones', severity: 1 },
            ],
          },
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};
