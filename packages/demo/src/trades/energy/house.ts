import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import { ask, signed } from '../../templates/asking.ts';
import { starter } from '../../templates/demo-template.ts';
import { points } from './points.ts';
import { PART, STANDS } from './shell.ts';

const CONSENT = 'given.consent';
/** What the kit takes for a danger of what burns: until it is put right no fan test, and nothing is sealed. */
const BURNS_BADLY =
  '(given.draught && draught == "no") || (given.gas_leak && gas_leak == "yes") || (given.monoxide && monoxide > 9.0)';
const BURNS_WELL = `!(${BURNS_BADLY}) || (given.combustion_resolved && combustion_resolved == "yes")`;

/** What could be done to something of the house, and how far it is. */
const measureFor = (thing: string, label: string): Question[] => [
  ask('lookup', { key: `${thing}_measure`, label, required: false, catalogue: 'measures' }),
  ask('choice', {
    key: `${thing}_stand`,
    label: 'How far it is',
    visibleWhen: `given.${thing}_measure`,
    options: STANDS,
    suggest: '"proposed"',
    required: false,
  }),
];

const resolved = (danger: string, visibleWhen: string): Question =>
  ask('yesNo', {
    ...{ key: `${danger}_resolved`, label: 'Put right since?', visibleWhen, required: false },
  });

/** Something that bars measures where it is there, and whether it is put right. */
const danger = (key: string, label: string, of: string, words: string): Question[] => [
  found(key, label, words),
  resolved(of, `${key} == "yes"`),
];

const found = (key: string, label: string, words: string): Question =>
  ask('yesNo', {
    ...{ key, label },
    messages: [{ when: `${key} == "yes"`, words, tone: 'warning' }],
    findings: [{ when: `${key} == "yes"`, severity: 3, words: label.replace('?', '') }],
  });

const BODY: TemplateBody = {
  title: 'Energy survey',
  kit: 'energy',
  sections: [
    {
      id: 'agreed',
      title: 'What is agreed',
      questions: [
        ask('lookup', { key: 'grant', label: 'Programme', catalogue: 'grants' }),
        ask('signature', {
          key: 'consent',
          label: 'Consent of the household',
          help: 'The householder reads and signs it. The fan is only run once it is signed.',
          consent: [
            'We go through all rooms, and look at what you burn and what you pay for it.',
            'We run a fan in a doorway for half an hour. Fires have to be out, and doors and windows shut; smoke from a cold stove may come into the room.',
            'What we write down is yours as well: you get the proposal and this paper. We show it to nobody but the programme that pays for the survey.',
            'Nothing is done to the house before you have agreed to it. You can stop us at any time, and have what we wrote down removed.',
          ].join('\n'),
        }),
      ],
    },
    {
      id: 'house',
      title: 'House',
      questions: [
        ask('number', {
          ...{ key: 'floor_area', label: 'Heated floor', unit: 'm2', alsoIn: ['[sft_i]'] },
          ...{ decimals: 1, carries: true, expected: { low: 15, high: 600 } },
          checks: [{ must: 'floor_area > 0.0', words: 'A floor is above 0: measure it again.' }],
        }),
        ask('number', {
          ...{ key: 'room_height', label: 'Height of the rooms', unit: 'm', alsoIn: ['[ft_i]'] },
          ...{ decimals: 2, carries: true, expected: { low: 1.8, high: 5 } },
          checks: [{ must: 'room_height > 0.0', words: 'Rooms are higher than 0.' }],
        }),
        ask('number', {
          key: 'bedrooms',
          label: 'Bedrooms',
          unit: '1',
          decimals: 0,
          carries: true,
        }),
        ask('number', {
          key: 'built',
          label: 'Built in',
          unit: '1',
          decimals: 0,
          required: false,
          carries: true,
        }),
        ask('lookup', {
          key: 'station',
          label: 'Nearest weather station',
          catalogue: 'stations',
          carries: true,
        }),
        ask('lookup', {
          key: 'heat_fuel',
          label: 'Heated with',
          catalogue: 'fuels',
          carries: true,
        }),
        ask('number', {
          ...{
            key: 'heat_efficiency',
            carries: true,
            label: 'Of its energy, becomes warmth',
            unit: '%',
            decimals: 0,
          },
          expected: { low: 40, high: 400 },
          checks: [
            {
              must: 'heat_efficiency > 0.0 && heat_efficiency <= 800.0',
              words: 'A boiler makes 50 to 98 %, a heat pump 200 to 500 %.',
            },
          ],
        }),
        ask('percentage', {
          key: 'arrives',
          carries: true,
          label: 'Of that, arrives in the rooms',
          expected: { low: 60 },
        }),
        ask('lookup', {
          key: 'water_fuel',
          label: 'Water warmed with',
          catalogue: 'fuels',
          required: false,
          carries: true,
        }),
        ask('number', {
          ...{
            key: 'water_need',
            carries: true,
            label: 'Warm water a year',
            unit: 'kW.h',
            decimals: 0,
            required: false,
          },
          visibleWhen: 'given.water_fuel',
          suggest: '700.0 * (bedrooms + 1.0)',
        }),
        ask('number', {
          ...{
            key: 'water_efficiency',
            carries: true,
            label: 'Of its energy, becomes warm water',
            unit: '%',
            decimals: 0,
          },
          ...{ required: false, visibleWhen: 'given.water_fuel' },
          checks: [
            {
              must: 'water_efficiency > 0.0 && water_efficiency <= 800.0',
              words: 'A boiler makes 50 to 98 %, a heat pump 200 to 500 %.',
            },
          ],
        }),
        ask('lookup', {
          key: 'base_fuel',
          label: 'Lights and appliances run on',
          catalogue: 'fuels',
          carries: true,
        }),
        ask('number', {
          key: 'base_load',
          carries: true,
          label: 'They take in a year',
          unit: 'kW.h',
          decimals: 0,
        }),
      ],
    },
    {
      id: 'safety',
      title: 'Safety',
      questions: [
        ask('yesNo', {
          ...{ key: 'draught', label: 'Does the chimney draw?', whenAmiss: { severity: 4 } },
          messages: [
            {
              when: 'draught == "no"',
              words: 'No fan test and no sealing of gaps until it draws.',
              tone: 'warning',
            },
          ],
        }),
        found(
          ...(['gas_leak', 'Gas leak found?'] as const),
          'Shut the gas off and air the rooms. No fan test until it is mended.',
        ),
        ask('number', {
          ...{ key: 'monoxide', label: 'Carbon monoxide in the room', unit: '[ppm]', decimals: 0 },
          expected: { low: 0, high: 9 },
          whenAmiss: {
            severity: 4,
            action: 'Air the room, put the fire out, call the chimney warden',
          },
        }),
        resolved('combustion', BURNS_BADLY),
        ...danger(
          ...(['mould', 'Mould or damp?', 'mould'] as const),
          'Find where it comes from first: no sealing, and nothing inside of walls.',
        ),
        ...danger(
          ...(['asbestos', 'Anything that may hold asbestos?', 'asbestos'] as const),
          'Leave it alone, and have it looked at: nothing is fixed to it or laid over it.',
        ),
        ...danger(
          ...(['old_wiring', 'Bare or old wiring in the loft?', 'wiring'] as const),
          'Nothing is laid over it until an electrician has seen it.',
        ),
      ],
    },
    {
      id: 'shell',
      title: 'Shell',
      questions: [
        ask('rows', {
          ...{ key: 'parts', label: 'Parts of the shell', each: 'part', least: 1, most: 120 },
          questions: PART,
        }),
      ],
    },
    {
      id: 'air',
      title: 'Air through gaps',
      questions: [
        ask('rows', {
          ...{ key: 'pressure_points', label: 'Fan test before', each: 'point', required: false },
          visibleWhen: `${CONSENT} && (${BURNS_WELL})`,
          questions: [
            ...points('pressure', 'flow'),
            ask('calculated', {
              ...{ key: 'by_line', label: 'By the line of all points', unit: 'm3/h', decimals: 0 },
              required: false,
              formula: 'flowAt(leakFlow, 50.0, leakExponent, pressure)',
              messages: [
                {
                  when: 'abs(flow - by_line) > 0.1 * by_line',
                  words:
                    'It lies off the line of the others by more than a tenth: measure this point again.',
                  tone: 'warning',
                },
              ],
            }),
          ],
        }),
        ask('calculated', {
          ...{ key: 'air_changes', label: 'Air changes at 50 Pa', unit: '/h', decimals: 1 },
          ...{ required: false, formula: 'leakChanges', expected: { high: 8 } },
          messages: [
            {
              when: 'leakExponent < 0.5 || leakExponent > 1.0',
              words:
                'The points do not lie as leaks do: the exponent is between 0.5 and 1. Measure again, in still air.',
              tone: 'warning',
            },
          ],
        }),
        ...measureFor('air', 'Measure against gaps'),
        ask('calculated', {
          ...{ key: 'air_by_itself', label: 'Air the house needs', unit: 'm3/h', decimals: 0 },
          ...{ required: false, formula: 'airWanted' },
          messages: [
            {
              when: 'tooTight',
              words: 'By itself less comes through the gaps than that: it needs ventilation.',
              tone: 'warning',
            },
          ],
        }),
        ask('rows', {
          ...{ key: 'points_after', label: 'Fan test afterwards', each: 'point', required: false },
          visibleWhen: 'given.air_stand && air_stand == "done"',
          questions: points('pressure_after', 'flow_after'),
        }),
      ],
    },
    {
      id: 'more',
      title: 'Heating, water, lights',
      questions: [
        ...measureFor('heat', 'Measure for the heating'),
        ...measureFor('water', 'Measure for warm water'),
        ...measureFor('base', 'Measure for lights and appliances'),
      ],
    },
    {
      id: 'proposal',
      title: 'Proposal',
      questions: [
        ask('calculated', {
          ...{ key: 'saved', label: 'Saved in a year', unit: 'kW.h', decimals: 0, required: false },
          ...{ formula: 'savedSoFar', lowFrom: 'wantedSaving' },
          help: 'At least what the programme wants.',
        }),
        ask('choice', {
          key: 'word',
          label: 'The household',
          options: [
            { key: 'accepts', label: 'Accepts the measures' },
            { key: 'thinks', label: 'Wants to think about it' },
            { key: 'declines', label: 'Does not want them' },
          ],
        }),
        ask('signature', {
          ...{ key: 'accepted', label: 'Signature of the household' },
          visibleWhen: 'word == "accepts"',
        }),
        signed('surveyor', 'Your signature'),
      ],
    },
  ],
};

export const HOUSE_SURVEY = starter('energy', BODY, {
  ...{ to: 'energy_work', days: 14 },
  only: { question: 'word', answer: 'accepts' },
});
