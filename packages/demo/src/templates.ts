import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import { STARTERS } from './starter-templates.ts';

/** Where a demo reading normally lies, how much it scatters, and how it swings with the season. */
export interface Usual {
  readonly mean: number;
  readonly scatter: number;
  readonly season?: number;
}

export interface DemoTemplate {
  readonly key: string;
  readonly body: TemplateBody;
  readonly version: number;
  readonly usual: Readonly<Record<string, Usual>>;
}

const yesNo = (key: string, label: string, action?: string): Question => ({
  kind: 'yesNo',
  key,
  label,
  required: true,
  whenAmiss: {
    reason: true,
    photo: true,
    severity: 2,
    ...(action ? { action } : {}),
  },
});
const closing: Question[] = [
  {
    kind: 'text',
    key: 'remarks',
    label: 'Anything the next person should know?',
    required: false,
  },
  {
    kind: 'photo',
    key: 'overview',
    label: 'The place as you leave it',
    required: false,
  },
  { kind: 'signature', key: 'signed', label: 'Your signature', required: true },
];

const DRIVE_ROOM: DemoTemplate = {
  key: 'drive',
  version: 6,
  usual: {
    brake1_temp: { mean: 44, scatter: 2.2, season: 3 },
    brake2_temp: { mean: 46, scatter: 2.2, season: 3 },
    brake2_lining: { mean: 9.4, scatter: 0.15 },
    motor_vibration: { mean: 1.4, scatter: 0.15 },
    rope_tension: { mean: 118, scatter: 2.5 },
    oil_pressure: { mean: 21, scatter: 0.8 },
  },
  body: {
    title: 'Drive room round',
    sections: [
      {
        id: 'arrive',
        title: 'Before you start',
        questions: [
          {
            kind: 'acknowledge',
            key: 'locked_off',
            label: 'The drive is locked off and the key is in your pocket',
            help: 'Lock 3 on the main isolator. Tell the lower station on channel 4.',
            required: true,
          },
          {
            kind: 'choices',
            key: 'seen',
            label: 'What do you notice in the room?',
            required: true,
            options: [
              { key: 'clean', label: 'Clean and dry' },
              { key: 'water', label: 'Water on the floor', severity: 2 },
              { key: 'smell', label: 'Smell of burning', severity: 3 },
              { key: 'noise', label: 'Unusual noise', severity: 1 },
            ],
          },
          {
            kind: 'text',
            key: 'noise_where',
            label: 'Where does the noise come from?',
            required: true,
            visibleWhen: '"noise" in seen',
          },
        ],
      },
      {
        id: 'brakes',
        title: 'Brakes',
        questions: [
          yesNo('brake1_released', 'Brake 1 released fully?', 'Free and grease brake 1'),
          {
            kind: 'number',
            key: 'brake1_temp',
            label: 'Brake 1, disc temperature',
            unit: 'Cel',
            decimals: 1,
            expected: { low: 20, high: 65 },
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 3,
              action: 'Re-line brake 1',
            },
          },
          yesNo('brake2_released', 'Brake 2 released fully?', 'Free and grease brake 2'),
          {
            kind: 'number',
            key: 'brake2_temp',
            label: 'Brake 2, disc temperature',
            unit: 'Cel',
            decimals: 1,
            expected: { low: 20, high: 65 },
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 3,
              action: 'Re-line brake 2',
            },
          },
          {
            kind: 'number',
            key: 'brake2_lining',
            label: 'Brake 2, lining left',
            unit: 'mm',
            decimals: 1,
            expected: { low: 6 },
            required: true,
            visibleWhen: 'brake2_released == "yes"',
            whenAmiss: {
              photo: true,
              severity: 2,
              action: 'Change the lining of brake 2',
            },
          },
        ],
      },
      {
        id: 'machine',
        title: 'Motor and rope',
        questions: [
          {
            kind: 'number',
            key: 'motor_vibration',
            label: 'Motor bearing, vibration',
            help: 'Drive end, horizontal, r.m.s. over 10 s.',
            unit: 'mm/s',
            decimals: 2,
            expected: { high: 2.8 },
            vibrationClass: 'II',
            required: true,
            whenAmiss: {
              severity: 2,
              action: 'Have the motor bearing looked at',
            },
          },
          {
            kind: 'number',
            key: 'rope_tension',
            label: 'Haul rope tension',
            unit: 'kN',
            decimals: 0,
            expected: { low: 110, high: 126 },
            required: true,
            whenAmiss: {
              reason: true,
              severity: 3,
              action: 'Re-tension the haul rope',
            },
          },
          {
            kind: 'number',
            key: 'oil_pressure',
            label: 'Hydraulic pressure',
            unit: 'bar',
            decimals: 1,
            expected: { low: 18, high: 24 },
            required: true,
            whenAmiss: { severity: 2, action: 'Find the loss of pressure' },
          },
          {
            kind: 'choice',
            key: 'rope_look',
            label: 'Rope at the splice',
            required: true,
            whenAmiss: {
              photo: true,
              action: 'Send the splice to the rope tester',
            },
            options: [
              { key: 'sound', label: 'As new', severity: 0 },
              { key: 'dry', label: 'Dry, wants grease', severity: 1 },
              { key: 'wire', label: 'Single broken wires', severity: 3 },
              { key: 'open', label: 'Strand opening', severity: 4 },
            ],
          },
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};

const HUT: DemoTemplate = {
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

const BOARD: DemoTemplate = {
  key: 'board',
  version: 4,
  usual: {
    insulation: { mean: 180, scatter: 18 },
    trip_time: { mean: 24, scatter: 3 },
    neutral_temp: { mean: 27, scatter: 1.5, season: 2 },
    earth_loop: { mean: 0.71, scatter: 0.03 },
  },
  body: {
    title: 'Switchboard check',
    sections: [
      {
        id: 'look',
        title: 'Looking and feeling',
        questions: [
          {
            kind: 'acknowledge',
            key: 'permit',
            label: 'You hold the permit and wear the gloves',
            required: true,
          },
          yesNo('covers', 'All covers on and tight?', 'Fit the missing covers'),
          yesNo('labels', 'Every circuit labelled?', 'Label the circuits'),
          {
            kind: 'number',
            key: 'neutral_temp',
            label: 'Neutral bar, temperature',
            unit: 'Cel',
            decimals: 1,
            expected: { high: 45 },
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 3,
              action: 'Re-make the neutral joints',
            },
          },
        ],
      },
      {
        id: 'test',
        title: 'Measuring',
        questions: [
          {
            kind: 'number',
            key: 'insulation',
            label: 'Insulation resistance at 500 V',
            unit: 'MOhm',
            decimals: 0,
            expected: { low: 1 },
            required: true,
            whenAmiss: {
              reason: true,
              severity: 3,
              action: 'Find the circuit that leaks',
            },
          },
          {
            kind: 'number',
            key: 'trip_time',
            label: 'Residual current device, trip time',
            unit: 'ms',
            decimals: 0,
            expected: { high: 300 },
            required: true,
            whenAmiss: {
              photo: true,
              severity: 4,
              action: 'Change the residual current device',
            },
          },
          {
            kind: 'number',
            key: 'earth_loop',
            label: 'Earth loop impedance, main socket circuit',
            help: 'Limit for a B32 breaker is 1.37 Ω; at room temperature 80 % of it counts.',
            unit: 'Ohm',
            decimals: 2,
            expected: { high: 1.1 },
            required: true,
            whenAmiss: {
              reason: true,
              severity: 3,
              action: 'Mend the earth of this circuit',
            },
          },
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};

const SPRING: DemoTemplate = {
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

const TURBINE: DemoTemplate = {
  key: 'turbine',
  version: 5,
  usual: {
    bearing_vibration: { mean: 2.1, scatter: 0.2 },
    bearing_temp: { mean: 52, scatter: 1.8, season: 2 },
    head: { mean: 14.2, scatter: 0.2 },
    power: { mean: 410, scatter: 16, season: -30 },
  },
  body: {
    title: 'Turbine round',
    sections: [
      {
        id: 'running',
        title: 'Running',
        questions: [
          {
            kind: 'choice',
            key: 'mode',
            label: 'How is it running?',
            required: true,
            options: [
              { key: 'automatic', label: 'On automatic' },
              { key: 'hand', label: 'By hand', severity: 1 },
              { key: 'standing', label: 'Standing still', severity: 2 },
            ],
          },
          {
            kind: 'yesNo',
            key: 'switched',
            label: 'Switch it to automatic. Was it switched?',
            required: true,
            visibleWhen: 'mode == "hand"',
            whenAmiss: {
              reason: true,
              severity: 2,
              action: 'Mend the automatic control',
            },
          },
          {
            kind: 'number',
            key: 'power',
            label: 'Power',
            unit: 'kW',
            decimals: 0,
            expected: { low: 300, high: 480 },
            required: true,
            visibleWhen: 'mode != "standing"',
          },
          {
            kind: 'number',
            key: 'head',
            label: 'Pressure before the nozzle',
            unit: 'bar',
            decimals: 1,
            expected: { low: 13, high: 15.5 },
            required: true,
          },
        ],
      },
      {
        id: 'bearing',
        title: 'Bearing',
        questions: [
          {
            kind: 'number',
            key: 'bearing_vibration',
            label: 'Bearing, vibration',
            unit: 'mm/s',
            decimals: 2,
            expected: { high: 4.5 },
            vibrationClass: 'III',
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 3,
              action: 'Plan a bearing change',
            },
          },
          {
            kind: 'number',
            key: 'bearing_temp',
            label: 'Bearing, temperature',
            unit: 'Cel',
            decimals: 1,
            expected: { high: 70 },
            required: true,
            whenAmiss: {
              reason: true,
              severity: 3,
              action: 'Check the cooling water',
            },
          },
          yesNo('leaks', 'Dry under the shaft seal?', 'Re-pack the shaft seal'),
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};

const PATH: DemoTemplate = {
  key: 'path',
  version: 2,
  usual: {
    anchor_load: { mean: 12.4, scatter: 0.3 },
    clearance: { mean: 1.35, scatter: 0.05 },
  },
  body: {
    title: 'Path and refuge inspection',
    sections: [
      {
        id: 'way',
        title: 'The way',
        questions: [
          {
            kind: 'choice',
            key: 'surface',
            label: 'Surface',
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              action: 'Send the path crew',
            },
            options: [
              { key: 'good', label: 'Sound', severity: 0 },
              { key: 'worn', label: 'Worn', severity: 1 },
              { key: 'washed', label: 'Washed out', severity: 2 },
              { key: 'gone', label: 'Gone in places', severity: 4 },
            ],
          },
          {
            kind: 'number',
            key: 'clearance',
            label: 'Narrowest place',
            unit: 'm',
            decimals: 2,
            expected: { low: 0.9 },
            required: true,
            whenAmiss: {
              photo: true,
              severity: 2,
              action: 'Widen the narrow place',
            },
          },
          {
            kind: 'number',
            key: 'anchor_load',
            label: 'Anchor held at',
            unit: 'kN',
            decimals: 1,
            expected: { low: 10 },
            required: true,
            whenAmiss: {
              reason: true,
              photo: true,
              severity: 4,
              action: 'Set a new anchor',
            },
          },
          yesNo('signs', 'Signs readable?', 'Repaint the signs'),
        ],
      },
      {
        id: 'refuge',
        title: 'Shelter and rescue',
        questions: [
          yesNo('phone', 'Emergency telephone answers?', 'Mend the emergency telephone'),
          yesNo('stretcher', 'Stretcher in its place?', 'Bring a stretcher'),
          {
            kind: 'choices',
            key: 'weather',
            label: 'Weather on the way',
            required: false,
            options: [
              { key: 'dry', label: 'Dry' },
              { key: 'rain', label: 'Rain' },
              { key: 'ice', label: 'Ice' },
              { key: 'wind', label: 'Strong wind' },
            ],
          },
        ],
      },
      { id: 'close', title: 'Leaving', questions: closing },
    ],
  },
};

const ready: readonly DemoTemplate[] = STARTERS.map((starter) => ({
  ...starter,
  version: 1,
  usual: {},
}));

export const TEMPLATES: readonly DemoTemplate[] = [
  DRIVE_ROOM,
  HUT,
  BOARD,
  SPRING,
  TURBINE,
  PATH,
  ...ready,
];
