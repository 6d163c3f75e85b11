import type { Question } from '@ant-trail/core/sheet';
import { MARK } from '@ant-trail/core/trades/mark';
import { ask } from '../templates/asking.ts';

/** Where a row stands on the sheet’s sketch; what does not move carries over. */
export const onSketch = (carries: boolean): Question[] =>
  (
    [
      [MARK.x, 'On the sketch, from the left'],
      [MARK.y, 'On the sketch, from the top'],
    ] as const
  ).map(([key, label]) =>
    ask('number', {
      ...{ key, label, unit: '%', decimals: 1, required: false, carries },
      checks: [
        { must: `${key} >= 0.0 && ${key} <= 100.0`, words: 'It lies beside the sketch: 0 to 100.' },
      ],
    }),
  );
