import type { Fact, Facts, Field } from '@ant-trail/core/fields';
import type { Condition } from '@ant-trail/core/register';
import type { Chance } from './chance.ts';

/** What hangs in a hut or a hall, as its alarm panel knows it, and in which part of the house. */
const ALARM_DEVICES = [
  ['Call point, porch', 'Ground floor'],
  ['Heat detector, stove', 'Ground floor'],
  ['Horn, stairs', 'Upper floor'],
  ['Smoke detector, attic', 'Upper floor'],
  ['Smoke detector, bunk room', 'Upper floor'],
  ['Smoke detector, hall', 'Ground floor'],
  ['Smoke detector, kitchen', 'Ground floor'],
  ['Smoke detector, store', 'Ground floor'],
] as const;

const text = (key: string, label: string): Field => ({ kind: 'text', key, label, required: false });
const number = (key: string, label: string, unit: string): Field => ({
  ...{ kind: 'number', key, label, unit, required: false },
});
const MADE: Field = { kind: 'date', key: 'made', label: 'In use since', required: false };

/** Kinds of thing on the island, with what is known of each. */
export const KINDS: readonly { readonly name: string; readonly fields: readonly Field[] }[] = [
  { name: 'alarm device', fields: [text('maker', 'Maker'), text('serial', 'Serial'), MADE] },
  {
    name: 'pump',
    fields: [
      text('maker', 'Maker'),
      text('serial', 'Serial'),
      number('flow', 'Rated flow', 'L/s'),
      number('power', 'Motor', 'kW'),
      text('bearing', 'Bearing'),
      MADE,
    ],
  },
  {
    name: 'turbine',
    fields: [
      text('maker', 'Maker'),
      text('serial', 'Serial'),
      number('power', 'Rated power', 'kW'),
      number('head', 'Head', 'bar'),
      text('seal', 'Seal'),
      MADE,
    ],
  },
  { name: 'motor', fields: [text('maker', 'Maker'), number('power', 'Power', 'kW'), MADE] },
  { name: 'brake', fields: [text('maker', 'Maker'), number('disc', 'Disc', 'mm'), MADE] },
  { name: 'panel', fields: [text('maker', 'Maker'), number('ways', 'Ways', '1'), MADE] },
  { name: 'valve', fields: [text('maker', 'Maker'), number('width', 'Width', 'mm'), MADE] },
];

/** A part of a place, with what stands in it. */
interface Area {
  readonly name: string;
  readonly purposes?: readonly string[];
  readonly things: readonly (readonly [kind: string, name: string, facts?: Facts])[];
}

const said = (value: string): Fact => ({ value });
const of = (value: number, unit: string): Fact => ({ value, unit });

const MACHINE_HALL: Area = {
  name: 'Machine hall',
  purposes: ['noise', 'water'],
  things: [
    [
      'turbine',
      'Turbine set',
      {
        ...{ maker: said('Harbour foundry'), serial: said('T-0911-2') },
        ...{ power: of(450, 'kW'), head: of(14.5, 'bar'), seal: said('20 mm, carbon') },
      },
    ],
    ['motor', 'Governor motor', { maker: said('Oystercatcher works'), power: of(2.2, 'kW') }],
    ['pump', 'Cooling pump 1', { maker: said('Harbour foundry'), flow: of(3.2, 'L/s') }],
    ['pump', 'Cooling pump 2', { maker: said('Harbour foundry'), flow: of(3.2, 'L/s') }],
  ],
};

const AREAS: Readonly<Record<string, readonly Area[]>> = {
  turbine: [
    MACHINE_HALL,
    {
      name: 'Switch room',
      things: [
        ['panel', 'Panel 1'],
        ['panel', 'Panel 2'],
      ],
    },
  ],
  drive: [
    {
      name: 'Drive room',
      purposes: ['noise'],
      things: [
        ['motor', 'Drive motor', { maker: said('Oystercatcher works'), power: of(55, 'kW') }],
        ['brake', 'Service brake', { disc: of(620, 'mm') }],
        ['brake', 'Emergency brake', { disc: of(620, 'mm') }],
        ['panel', 'Control panel'],
      ],
    },
    {
      name: 'Platform',
      things: [
        ['gate', 'Entry gate'],
        ['gate', 'Exit gate'],
      ],
    },
  ],
  spring: [
    {
      name: 'Valve room',
      purposes: ['water'],
      things: [
        [
          'pump',
          'Pump 1',
          { maker: said('Harbour foundry'), serial: said('P-2207-13'), flow: of(12, 'L/s') },
        ],
        [
          'pump',
          'Pump 2',
          {
            ...{ maker: said('Harbour foundry'), serial: said('P-2207-14') },
            ...{ flow: of(12, 'L/s'), power: of(5.5, 'kW'), bearing: said('6205') },
          },
        ],
        ['switch', 'Float switch'],
        ['valve', 'Outlet valve', { width: of(150, 'mm') }],
      ],
    },
    {
      name: 'Chamber',
      purposes: ['water'],
      things: [
        ['hatch', 'Hatch'],
        ['ladder', 'Ladder'],
      ],
    },
  ],
};

export interface DemoThing {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
  readonly area: boolean;
  readonly within: string | null;
  condition: Condition;
  readonly facts: Facts;
  readonly purposes: readonly string[];
  /** Areas it belongs to besides the one it stands in. */
  readonly also_in: readonly string[];
}

const CONDITIONS: readonly Condition[] = [
  ...([
    'sound',
    'sound',
    'sound',
    'sound',
    'sound',
    'unknown',
    'unknown',
    'watch',
    'poor',
  ] as const),
];

/** What stands at a place where work of this kind is done: areas, and things in them. */
export function thingsAt(template: string, chance: Chance): DemoThing[] {
  const areas = template === 'hut' ? houseOf(chance) : (AREAS[template] ?? []);
  const things = standingIn(areas, template, chance);
  return template === 'hut' ? onAlarmLines(things, chance) : things;
}

/** Alarm devices hang on lines that go through the floors of a house. */
function onAlarmLines(things: readonly DemoThing[], chance: Chance): DemoThing[] {
  const lines = ['Alarm line 1', 'Alarm line 2'].map((name): DemoThing => ({
    ...{ id: chance.uuid(), kind: 'line', name, area: true, within: null },
    ...{ condition: 'unknown', facts: {}, purposes: ['alarm'], also_in: [] },
  }));
  return [
    ...lines,
    ...things.map((thing, at) => {
      const line = lines[at % lines.length];
      return thing.area || !line ? thing : { ...thing, also_in: [line.id] };
    }),
  ];
}

function standingIn(areas: readonly Area[], template: string, chance: Chance): DemoThing[] {
  return areas.flatMap(({ name, purposes = [], things }) => {
    const within = chance.uuid();
    const room = { kind: template === 'hut' ? 'floor' : 'room', name, area: true, within: null };
    return [
      { id: within, ...room, condition: 'unknown', facts: {}, purposes, also_in: [] },
      ...things.map(([kind, called, facts = {}]): DemoThing => ({
        ...{ id: chance.uuid(), kind, name: called, area: false, within, facts },
        ...{ purposes: [], also_in: [] },
        condition: chance.pick(CONDITIONS),
      })),
    ];
  });
}

/** The alarm devices of one house, floor by floor: not every house has all of them. */
function houseOf(chance: Chance): Area[] {
  const there = ALARM_DEVICES.filter(([name]) => name.includes('hall') || chance.happens(0.8));
  return ['Ground floor', 'Upper floor'].map((floor) => ({
    name: floor,
    things: there.flatMap(([name, where]): Area['things'] =>
      where === floor ? [['alarm device', name]] : [],
    ),
  }));
}

/** Where the bearing wears. */
export const WORN = 'Power house, turbine 2';

/** The thing that a round of this kind is about; places of other kinds are inspected as a whole. */
export const MAIN_THING: Readonly<Record<string, string>> = { turbine: 'Turbine set' };
