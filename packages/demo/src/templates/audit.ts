import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from './asking.ts';
import { starter } from './demo-template.ts';

const MARKS = [10, 8, 6, 4, 0].map((points) => ({
  key: `m${points}`,
  label: ['Fully met', 'Mostly met', 'Partly met', 'Poorly met', 'Not met'][
    [10, 8, 6, 4, 0].indexOf(points)
  ] as string,
  points,
  ...(points <= 4 ? { severity: points === 0 ? (3 as const) : (2 as const) } : {}),
}));

const mark = (key: string, label: string): Question =>
  ask('choice', { key, label, options: MARKS, whenAmiss: { reason: true, photo: true } });

const BODY: TemplateBody = {
  title: 'Hut keeping audit',
  score: {
    target: 80,
    cap: 40,
    grades: [
      { from: 90, word: 'A' },
      { from: 80, word: 'B' },
      { from: 0, word: 'C' },
    ],
  },
  sections: [
    {
      id: 'kitchen',
      title: 'Kitchen',
      questions: [
        mark('cold_chain', 'Cold things kept cold'),
        mark('stores_order', 'Stores in order, oldest first'),
        ask('yesNo', {
          key: 'water_tested',
          label: 'Drinking water tested this season?',
          points: { good: 10, stopsEverything: true },
          whenAmiss: { severity: 4, reason: true, action: 'Have the water tested' },
        }),
        ask('instrument', {
          key: 'fridge_temp',
          label: 'Temperature in the cold store',
          instrument: 'thermometer',
          unit: 'Cel',
          alsoIn: ['[degF]'],
          decimals: 1,
          expected: { low: 1, high: 7 },
        }),
      ],
    },
    {
      id: 'guests',
      title: 'Guests',
      questions: [
        mark('beds', 'Beds and blankets clean'),
        mark('welcome', 'Welcome and house rules'),
        ask('shares', {
          key: 'guests_by',
          label: 'Guests this month',
          required: false,
          parts: [
            { key: 'walkers', label: 'Walkers' },
            { key: 'climbers', label: 'Climbers' },
            { key: 'groups', label: 'School groups' },
          ],
        }),
        ask('percentage', { key: 'full', label: 'How full on an average night', required: false }),
      ],
    },
    { id: 'close', title: 'Closing', questions: [signed('auditor', 'Signature of the auditor')] },
  ],
};

export const AUDIT = starter('audit', BODY);
