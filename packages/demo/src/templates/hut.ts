import type { DemoTemplate } from './demo-template.ts';
import { closing, yesNo } from './round.ts';

export const HUT: DemoTemplate = {
  key: 'hut',
  version: 3,
  usual: {
    gas_store: { mean: 11, scatter: 2.4, season: -2 },
    extinguisher: { mean: 14.6, scatter: 0.3 },
    co_level: { mean: 3, scatter: 1.2 },
  },
  body: {
    title: 'Hut safety check',
    sections: [
      {
        id: 'fire',
        title: 'Fire and gas',
        questions: [
          yesNo('exits', 'Both ways out free?', 'Clear the way out'),
          yesNo('alarm', 'Smoke alarm sounds?', 'Change the smoke alarm'),
          {
            kind: 'number',
            key: 'extinguisher',
            label: 'Extinguisher pressure',
            unit: 'bar',
            decimals: 1,
            expected: { low: 13, high: 17 },
            required: true,
            whenAmiss: {
              photo: true,
              severity: 2,
              action: 'Swap the extinguisher',
            },
          },
          {
            kind: 'number',
            key: 'co_level',
            label: 'Carbon monoxide beside the stove',
            unit: '[ppm]',
            decimals: 0,
            expected: { low: 0, high: 25 },
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 4,
              action: 'Close the stove down',
            },
          },
          {
            kind: 'number',
            key: 'gas_store',
            label: 'Gas left in the store',
            unit: 'kg',
            decimals: 0,
            expected: { low: 5 },
            required: true,
            whenAmiss: { severity: 1, action: 'Bring gas on the next load' },
          },
        ],
      },
      {
        id: 'house',
        title: 'House',
        questions: [
          {
            kind: 'choice',
            key: 'roof',
            label: 'Roof and shutters',
            required: true,
            whenAmiss: {
              photo: true,
              action: 'Mend the roof before the next storm',
            },
            options: [
              { key: 'tight', label: 'Tight', severity: 0 },
              { key: 'loose', label: 'Something loose', severity: 1 },
              { key: 'leak', label: 'Leaking', severity: 2 },
              { key: 'open', label: 'Open to the weather', severity: 3 },
            ],
          },
          yesNo('water', 'Drinking water runs clear?', 'Flush and sample the tank'),
          yesNo('first_aid', 'First-aid box complete?', 'Fill up the first-aid box'),
          {
            kind: 'date',
            key: 'swept',
            label: 'Chimney last swept',
            required: false,
          },
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};
