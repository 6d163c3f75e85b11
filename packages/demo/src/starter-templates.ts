import type { Question, TemplateBody } from '@ant-trail/core/sheet';

type Of<Kind extends Question['kind']> = Extract<Question, { kind: Kind }>;
type Make<Kind extends Question['kind']> = Omit<Of<Kind>, 'kind' | 'required'> & {
  readonly required?: boolean;
};

/** A question that must be answered unless it says otherwise. */
const ask = <Kind extends Question['kind']>(kind: Kind, made: Make<Kind>): Question =>
  ({ required: true, ...made, kind }) as unknown as Question;

const numbered = (word: string, count: number): string[] =>
  Array.from({ length: count }, (_, index) => `${word} ${index + 1}`);

const signed = (key: string, label: string): Question => ask('signature', { key, label });

const CERTIFICATE: TemplateBody = {
  title: 'Electrical certificate',
  sections: [
    {
      id: 'supply',
      title: 'Supply',
      questions: [
        ask('number', {
          key: 'outside_loop',
          label: 'Earth loop impedance of the supply',
          unit: 'Ohm',
          decimals: 2,
          expected: { low: 0, high: 0.8 },
        }),
        ask('number', {
          key: 'supply_voltage',
          label: 'Voltage at the supply',
          unit: 'V',
          decimals: 0,
          expected: { low: 216, high: 253 },
        }),
      ],
    },
    {
      id: 'boards',
      title: 'Boards and circuits',
      questions: [
        ask('rows', {
          key: 'boards',
          label: 'Boards',
          each: 'board',
          required: false,
          starts: numbered('Board', 8),
          questions: [
            ask('text', { key: 'board_place', label: 'Where it hangs', required: false }),
            ask('rows', {
              key: 'circuits',
              label: 'Circuits',
              each: 'circuit',
              required: false,
              starts: numbered('Circuit', 24),
              questions: [
                ask('text', { key: 'feeds', label: 'What it feeds', required: false }),
                ask('choice', {
                  key: 'curve',
                  label: 'Curve of the breaker',
                  options: [
                    { key: 'B', label: 'B' },
                    { key: 'C', label: 'C' },
                    { key: 'D', label: 'D' },
                  ],
                  suggest: 'has(previous.curve) ? previous.curve : "B"',
                }),
                ask('number', {
                  key: 'rating',
                  label: 'Rating',
                  unit: 'A',
                  carries: true,
                  expected: { low: 1, high: 125 },
                  suggest: 'previous.rating',
                }),
                ask('number', {
                  key: 'conductors',
                  label: 'Resistance of its conductors, R1 + R2',
                  unit: 'Ohm',
                  decimals: 2,
                }),
                ask('calculated', {
                  key: 'loop_impedance',
                  label: 'Earth loop impedance',
                  unit: 'Ohm',
                  decimals: 2,
                  required: false,
                  formula: 'loopImpedance(outside_loop, conductors)',
                  highFrom: 'loopLimit(curve, rating) * 0.8',
                  whenAmiss: { severity: 3, action: 'Find out why the breaker would trip late' },
                }),
                ask('number', {
                  key: 'insulation',
                  label: 'Insulation resistance at 500 V',
                  unit: 'MOhm',
                  alsoIn: ['kOhm'],
                  expected: { low: 1 },
                  whenAmiss: { reason: true, severity: 4, action: 'Take the circuit out of use' },
                }),
                ask('number', {
                  key: 'trip_time',
                  label: 'Residual current device, time to trip',
                  unit: 's',
                  required: false,
                  decimals: 3,
                  expected: { high: 0.3 },
                }),
              ],
            }),
            ask('calculated', {
              key: 'worst_loop',
              label: 'Highest loop impedance of the board',
              unit: 'Ohm',
              decimals: 2,
              required: false,
              formula: 'most(circuits, "loop_impedance")',
            }),
          ],
        }),
      ],
    },
    {
      id: 'close',
      title: 'Declaration',
      questions: [
        ask('date', { key: 'next_test', label: 'Next inspection by' }),
        signed('certified', 'Signature of the tester'),
      ],
    },
  ],
};

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

const AUDIT: TemplateBody = {
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

const BOLTS = numbered('Bolt', 8);

const JOINT: TemplateBody = {
  title: 'Penstock joint tightening',
  order: 'led',
  sections: [
    {
      id: 'safe',
      title: 'Make safe',
      questions: [
        ask('acknowledge', {
          key: 'drained',
          label: 'The pipe is drained, the valve is locked and tagged.',
        }),
        ask('code', { key: 'lock_tag', label: 'Number on the lock' }),
        ask('performed', { key: 'faces_clean', label: 'Faces and threads cleaned and oiled' }),
      ],
    },
    {
      id: 'gap',
      title: 'Gap',
      questions: [
        ask('rows', {
          key: 'gaps',
          label: 'Gap at four positions',
          each: 'position',
          required: false,
          fixed: true,
          starts: ['Top', 'Right', 'Bottom', 'Left'],
          questions: [
            ask('number', {
              key: 'gap',
              label: 'Gap',
              unit: 'mm',
              alsoIn: ['[in_i]'],
              decimals: 2,
            }),
          ],
        }),
        ask('calculated', {
          key: 'gap_spread',
          label: 'Widest less narrowest',
          required: false,
          unit: 'mm',
          decimals: 2,
          formula: 'most(gaps, "gap") - least(gaps, "gap")',
          expected: { high: 1 },
          whenAmiss: { severity: 3, action: 'Align the joint again' },
        }),
      ],
    },
    {
      id: 'torque',
      title: 'Tightening',
      questions: [
        ask('number', {
          key: 'bolt_force',
          label: 'Wanted force per bolt',
          unit: 'kN',
          suggest: '80',
        }),
        ask('calculated', {
          key: 'target_torque',
          label: 'Target',
          required: false,
          unit: 'N.m',
          decimals: 0,
          formula: 'boltTorque(0.16, 20.0, bolt_force)',
        }),
        ask('rows', {
          key: 'bolts',
          label: 'Bolts',
          each: 'bolt',
          required: false,
          fixed: true,
          starts: BOLTS,
          questions: [
            ask('instrument', {
              key: 'torque',
              label: 'Torque reached',
              instrument: 'wrench',
              unit: 'N.m',
              alsoIn: ['[ft_i].[lbf_av]'],
              decimals: 0,
              lowFrom: 'target_torque * 0.95',
              highFrom: 'target_torque * 1.05',
              whenAmiss: { reason: true, severity: 3 },
            }),
          ],
        }),
        ask('hold', { key: 'second_check', label: 'Joint passed by a second person' }),
      ],
    },
    { id: 'close', title: 'Record', questions: [signed('fitter', 'Signature of the fitter')] },
  ],
};

const LOCKER: TemplateBody = {
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

const ALARM: TemplateBody = {
  title: 'Alarm panel inspection',
  sections: [
    {
      id: 'panel',
      title: 'Panel',
      questions: [
        ask('number', {
          key: 'standby',
          label: 'Standby current',
          unit: 'A',
          alsoIn: ['mA'],
          decimals: 3,
        }),
        ask('number', {
          key: 'alarm',
          label: 'Alarm current',
          unit: 'A',
          alsoIn: ['mA'],
          decimals: 3,
        }),
        ask('calculated', {
          key: 'needed',
          label: 'Battery needed',
          required: false,
          unit: 'A.h',
          decimals: 1,
          formula: 'standbyCapacity(standby, alarm)',
        }),
        ask('number', {
          key: 'battery',
          label: 'Battery fitted',
          unit: 'A.h',
          carries: true,
          photoWhen: 'battery < needed',
          lowFrom: 'needed',
          whenAmiss: { severity: 3, reason: true, action: 'Fit a larger battery' },
        }),
      ],
    },
    {
      id: 'devices',
      title: 'Devices',
      questions: [
        ask('rows', {
          key: 'devices',
          label: 'Devices',
          each: 'device',
          of: 'alarm device',
          required: false,
          least: 1,
          most: 500,
          questions: [
            ask('choice', {
              key: 'device_kind',
              label: 'What it is',
              options: [
                { key: 'smoke', label: 'Smoke detector' },
                { key: 'heat', label: 'Heat detector' },
                { key: 'call', label: 'Call point' },
                { key: 'horn', label: 'Horn' },
              ],
              suggest: 'previous.device_kind',
            }),
            ask('performed', { key: 'tried', label: 'Set off and seen at the panel' }),
            ask('yesNo', {
              key: 'clean',
              label: 'Clean?',
              visibleWhen: 'device_kind == "smoke"',
              messages: [{ when: 'clean == "no"', words: 'Blow it out from the side, never wet.' }],
            }),
            ask('yesNo', {
              key: 'cleaned_now',
              label: 'Cleaned now?',
              visibleWhen: 'clean == "no"',
              follows: 'clean',
            }),
          ],
        }),
        ask('calculated', {
          key: 'failed',
          label: 'Devices that did not answer',
          required: false,
          unit: '1',
          formula: 'size(devices.filter(d, has(d.tried) && d.tried == "not"))',
          findings: [
            {
              when: 'failed > 2',
              severity: 4,
              words: 'More than two devices did not answer',
              action: 'Keep a fire watch until the line is mended',
            },
          ],
        }),
      ],
    },
    { id: 'close', title: 'Closing', questions: [signed('keeper', 'Signature of the keeper')] },
  ],
};

const SURVEY: TemplateBody = {
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

/** Templates that stand ready for other kinds of work; no site of the demo has a history of them. */
export const STARTERS: readonly { readonly key: string; readonly body: TemplateBody }[] = [
  { key: 'certificate', body: CERTIFICATE },
  { key: 'audit', body: AUDIT },
  { key: 'joint', body: JOINT },
  { key: 'locker', body: LOCKER },
  { key: 'alarm', body: ALARM },
  { key: 'survey', body: SURVEY },
];
