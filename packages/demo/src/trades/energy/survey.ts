import type { TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';

const BODY: TemplateBody = {
  title: 'Refuge survey',
  programmes: [
    {
      key: 'winter_grant',
      name: 'Winter grant of the Assembly',
      required: ['warden_phone', 'damage'],
      leftOut: ['spoken', 'papers'],
    },
    {
      key: 'guild_book',
      name: 'House book of the guild',
      required: ['warden_mail'],
      leftOut: ['way_round'],
    },
  ],
  variants: [
    {
      name: 'Small refuge',
      answers: [
        { path: 'floor', value: 24, unit: 'm2' },
        { path: 'bedrooms', value: 1, unit: '1' },
      ],
    },
    {
      name: 'Hut with wardens',
      answers: [
        { path: 'floor', value: 140, unit: 'm2' },
        { path: 'bedrooms', value: 5, unit: '1' },
      ],
    },
  ],
  sections: [
    {
      id: 'who',
      title: 'Who and where',
      questions: [
        ask('address', { key: 'address', label: 'Address or position' }),
        ask('lookup', {
          key: 'met',
          label: 'Whom you met',
          required: false,
          catalogue: 'our_contacts',
          somethingElse: true,
        }),
        ask('phone', { key: 'warden_phone', label: 'Telephone of the warden', required: false }),
        ask('email', { key: 'warden_mail', label: 'E-mail of the warden', required: false }),
        ask('moment', { key: 'agreed', label: 'Next visit agreed for', required: false }),
        ask('time', { key: 'came_at', label: 'Warden came at', required: false }),
      ],
    },
    {
      id: 'house',
      title: 'House',
      questions: [
        ask('number', {
          key: 'floor',
          label: 'Heated floor',
          unit: 'm2',
          alsoIn: ['[sft_i]'],
          expected: { low: 10, high: 400 },
        }),
        ask('number', { key: 'bedrooms', label: 'Sleeping rooms', unit: '1' }),
        ask('calculated', {
          key: 'air',
          label: 'Ventilation needed',
          required: false,
          unit: '[cft_i]/min',
          decimals: 0,
          formula: 'ventilation(convert(floor, "m2", "[sft_i]"), bedrooms)',
        }),
        ask('choices', {
          key: 'damage',
          label: 'Damage seen',
          required: false,
          somethingElse: true,
          options: [
            { key: 'roof', label: 'Roof', severity: 3 },
            { key: 'walls', label: 'Walls', severity: 2 },
            { key: 'floorboards', label: 'Floor', severity: 2 },
          ],
          whenAmiss: { photo: true },
        }),
        ask('sketch', {
          key: 'site_sketch',
          label: 'Sketch of the site',
          symbols: [
            { key: 'stove', label: 'Stove' },
            { key: 'exit', label: 'Way out' },
            { key: 'water', label: 'Water' },
          ],
        }),
        ask('video', {
          key: 'way_round',
          label: 'Once round the house',
          required: false,
          longest: 20,
        }),
        ask('voice', { key: 'spoken', label: 'Spoken remarks', required: false, longest: 60 }),
        ask('file', { key: 'papers', label: 'Papers found there', required: false }),
        ask('rows', {
          key: 'wanted',
          label: 'Parts to bring next time',
          each: 'part',
          required: false,
          questions: [
            ask('lookup', { key: 'wanted_part', label: 'Part', catalogue: 'parts' }),
            ask('number', {
              key: 'wanted_pieces',
              label: 'How many pieces',
              unit: '1',
              suggest: '1.0',
              messages: [
                {
                  when: 'wanted_pieces > wanted_part.in_store',
                  words: 'There are not that many in the store.',
                  tone: 'warning',
                },
              ],
            }),
          ],
        }),
      ],
    },
    { id: 'close', title: 'Closing', questions: [signed('surveyor', 'Your signature')] },
  ],
};

export const SURVEY = starter('survey', BODY);
