import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, numbered } from './asking.ts';
import { starter } from './demo-template.ts';

const BODY: TemplateBody = {
  title: 'Provision locker refill',
  sections: [
    {
      id: 'shelves',
      title: 'Shelves',
      questions: [
        ask('rows', {
          key: 'shelves',
          label: 'Shelves',
          each: 'shelf',
          required: false,
          starts: numbered('Shelf', 6),
          questions: [
            ask('lookup', {
              key: 'product',
              label: 'What lies there',
              catalogue: 'provisions',
              somethingElse: true,
            }),
            ask('number', {
              key: 'capacity',
              label: 'How many fit',
              unit: '1',
              suggest: 'product.capacity',
            }),
            ask('number', { key: 'filled', label: 'Put in', unit: '1', suggest: '0' }),
            ask('number', {
              key: 'counted',
              label: 'Counted afterwards',
              unit: '1',
              checks: [
                {
                  must: 'counted >= filled',
                  words: 'less than what was just put in',
                },
                { must: 'counted <= capacity', words: 'more than fit on the shelf' },
              ],
            }),
          ],
        }),
        ask('calculated', {
          key: 'all_filled',
          label: 'Put in altogether',
          required: false,
          unit: '1',
          target: 60,
          formula: 'sum(shelves, "filled")',
        }),
      ],
    },
    {
      id: 'cash',
      title: 'Honesty box',
      questions: [
        ask('code', {
          key: 'bag',
          label: 'Number of the cash bag',
          requiredWhen: 'cash > 0',
          required: false,
        }),
        ask('number', {
          key: 'cash',
          label: 'Found in the box',
          unit: '1',
          decimals: 2,
          reasonWhen: 'cash < 0.01 && all_filled > 20',
        }),
        ask('choice', {
          key: 'box_state',
          label: 'The box',
          somethingElse: true,
          options: [
            { key: 'sound', label: 'Sound' },
            { key: 'forced', label: 'Forced open', severity: 3 },
          ],
          whenAmiss: { reason: true, photo: true },
        }),
        ask('photo', {
          key: 'locker_photo',
          label: 'The locker as you leave it',
          neverBlank: true,
        }),
      ],
    },
    {
      id: 'forced',
      title: 'Forced open',
      visibleWhen: 'box_state == "forced"',
      questions: [
        ask('text', { key: 'traces', label: 'What was left behind' }),
        ask('performed', { key: 'secured', label: 'Locker made fast until it is mended' }),
      ],
    },
  ],
};

export const LOCKER = starter('locker', BODY);
