import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';
import { onSketch } from '../on-sketch.ts';

const AREA: readonly Question[] = [
  ask('choice', {
    key: 'seen',
    label: 'How much was seen',
    options: [
      { key: 'whole', label: 'All of it' },
      { key: 'part', label: 'In part' },
      { key: 'not', label: 'Not at all' },
    ],
  }),
  ask('lookup', {
    ...{ key: 'limit', label: 'What kept you from it', catalogue: 'limits' },
    visibleWhen: 'seen == "part" || seen == "not"',
  }),
  ask('photo', {
    ...{ key: 'obstruction', label: 'Picture of what was in the way' },
    visibleWhen: 'seen == "part" || seen == "not"',
  }),
  ask('yesNo', { key: 'amiss', label: 'Anything amiss?', visibleWhen: 'seen != "not"' }),
  ask('text', {
    ...{ key: 'amiss_what', label: 'What is it' },
    visibleWhen: 'amiss == "yes"',
    help: 'What has to be put right comes among “To put right” as well.',
  }),
];

const WALL: readonly Question[] = [
  ask('choice', {
    ...{ key: 'wall_material', label: 'Made of', carries: true },
    options: [
      { key: 'timber', label: 'Timber' },
      { key: 'masonry', label: 'Stone, brick, plaster' },
      { key: 'board', label: 'Gypsum board' },
    ],
  }),
  ask('rows', {
    ...{ key: 'spots', label: 'Readings', each: 'reading', most: 200, carries: true },
    questions: [
      ask('number', {
        ...{
          key: 'spot_across',
          label: 'From the left end',
          unit: 'm',
          decimals: 2,
          carries: true,
        },
        checks: [{ must: 'spot_across >= 0.0', words: 'The wall begins at 0.' }],
      }),
      ask('number', {
        ...{ key: 'spot_up', label: 'Above the floor', unit: 'm', decimals: 2, carries: true },
        checks: [{ must: 'spot_up >= 0.0', words: 'The floor lies at 0.' }],
      }),
      ask('number', {
        ...{ key: 'wet', label: 'Moisture', unit: '%', decimals: 1 },
        checks: [
          {
            must: 'wet >= 0.0 && wet <= 100.0',
            words: 'Percent by mass: between 0 and 100. Read it again.',
          },
        ],
      }),
    ],
  }),
];

const CONDITION: readonly Question[] = [
  ask('text', { key: 'what', label: 'What is to be put right' }),
  ask('text', { key: 'where_it_is', label: 'Where' }),
  ask('choice', {
    key: 'urgency',
    label: 'How soon',
    options: [
      { key: 'now', label: 'At once', severity: 4 },
      { key: 'soon', label: 'Within the year', severity: 2 },
      { key: 'watch', label: 'Watch it', severity: 1 },
    ],
  }),
  ask('photo', { key: 'condition_photo', label: 'Pictures', required: false }),
  ...onSketch(false),
];

const BODY: TemplateBody = {
  title: 'Property report',
  kit: 'property',
  sections: [
    {
      id: 'about',
      title: 'For whom',
      questions: [
        ask('choice', {
          key: 'reader',
          label: 'Who asked for it',
          options: [
            { key: 'owner', label: 'Owner' },
            { key: 'buyer', label: 'Buyer' },
            { key: 'agent', label: 'Agent' },
            { key: 'lender', label: 'Lender' },
          ],
        }),
        ask('address', { key: 'address', label: 'Address or position' }),
        ask('text', { key: 'weather', label: 'Weather, and the days before', required: false }),
      ],
    },
    {
      id: 'areas',
      title: 'What was seen',
      questions: [
        ask('rows', {
          ...{ key: 'areas', label: 'Areas', each: 'area', most: 60 },
          starts: ['Roof', 'Loft', 'Outside walls', 'Cellar', 'Rooms', 'Bath'],
          questions: AREA,
        }),
      ],
    },
    {
      id: 'moisture',
      title: 'Moisture',
      questions: [
        ask('rows', {
          ...{ key: 'walls', label: 'Walls', each: 'wall', required: false, most: 40 },
          ...{ carries: true, questions: WALL },
        }),
      ],
    },
    {
      id: 'conditions',
      title: 'To put right',
      questions: [
        ask('rows', {
          ...{ key: 'conditions', label: 'To put right', each: 'condition', required: false },
          ...{ most: 80, questions: CONDITION },
        }),
        ask('sketch', { key: 'place_sketch', label: 'Sketch of the place', required: false }),
      ],
    },
    {
      id: 'close',
      title: 'Closing',
      questions: [
        ask('calculated', {
          ...{ key: 'again_in', label: 'To be inspected again in, months', unit: '1', decimals: 0 },
          ...{
            required: false,
            formula: 'putRightNow > 0.0 ? 6.0 : wetPlaces > 0.0 ? 12.0 : 36.0',
          },
          help: 'Half a year where something can’t wait, a year where a wall is wet, else three.',
        }),
        ask('acknowledge', {
          key: 'limits_read',
          label: 'The report says what was seen on that day, and nothing of what was covered.',
        }),
        signed('inspector', 'Your signature'),
      ],
    },
  ],
};

export const PROPERTY_REPORT = starter('property', BODY);
