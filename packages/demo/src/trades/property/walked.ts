import type { Chance } from '../../chance.ts';
import type { Given } from '../given.ts';
import { lookUpIn } from '../looked-up.ts';
import { PROPERTY_LISTS } from './lists.ts';

const lookUp = lookUpIn(PROPERTY_LISTS);

export interface PropertyWalk {
  readonly reader: string;
  readonly address: string;
  /** How wet the lower corner of the wall is, percent by mass. */
  readonly wettest: number;
  /** How far the inspector has come, 0 to 1. */
  readonly until?: number;
}

/** Areas with what kept the inspector from them, in the order of the template. */
const AREAS: readonly (readonly [seen: string, limit?: string])[] = [
  ['part', 'high'],
  ['part', 'stored'],
  ['whole'],
  ['not', 'locked'],
  ['whole'],
  ['part', 'covered'],
];

const CONDITIONS = [
  ['Slates', 'Three slates have slipped', 'Roof, above the porch', 'soon', 22, 18],
  ['Chimney', 'The joints are open to the wind', 'Roof, chimney', 'watch', 46, 12],
  ['Gutter', 'Hangs loose, drips down the wall', 'Outside wall to the sea', 'now', 78, 41],
  [
    'Wall corner',
    'Wet from below, plaster comes off',
    'Living room, corner to the sea',
    'now',
    70,
    66,
  ],
] as const;

/** A house seen from above, drawn with a finger. */
const SKETCH = {
  height: 0.75,
  shapes: [
    ...(
      [
        [0.12, 0.1, 0.88, 0.1],
        [0.88, 0.1, 0.88, 0.66],
        [0.88, 0.66, 0.12, 0.66],
        [0.12, 0.66, 0.12, 0.1],
        [0.12, 0.38, 0.58, 0.38],
        [0.58, 0.1, 0.58, 0.66],
      ] as const
    ).map(([x, y, toX, toY]) => ({
      ...{ kind: 'line' as const, from: [x, y] as const, to: [toX, toY] as const },
    })),
    { kind: 'text' as const, at: [0.2, 0.26] as const, words: 'kitchen' },
    { kind: 'text' as const, at: [0.2, 0.54] as const, words: 'bath' },
    { kind: 'text' as const, at: [0.64, 0.4] as const, words: 'living room' },
  ],
};

/** What an inspector enters in a house. */
export function propertyWalked(
  chance: Chance,
  { reader, address, wettest, until = 1 }: PropertyWalk,
): Given[] {
  const given: Given[] = [
    { path: 'reader', value: reader },
    { path: 'address', value: { address } },
    { path: 'weather', value: 'Dry and windy, two days of rain before' },
    ...AREAS.slice(0, Math.ceil(AREAS.length * until)).flatMap(([seen, limit], at): Given[] => {
      const path = `areas/s${at + 1}`;
      return [
        { path: `${path}/seen`, value: seen },
        ...(limit === undefined
          ? []
          : [
              { path: `${path}/limit`, value: lookUp('limits', limit) },
              { path: `${path}/obstruction`, value: '' },
            ]),
        ...(seen === 'not' ? [] : [{ path: `${path}/amiss`, value: 'no' }]),
      ];
    }),
  ];
  const walls = wallRead(chance, wettest, until);
  if (until < 1) return [...given, ...walls];
  return [
    ...given,
    ...walls,
    ...CONDITIONS.flatMap(([name, what, where, urgency, x, y], at): Given[] => {
      const path = `conditions/c${at + 1}`;
      return [
        { path, value: { order: at + 1, name } },
        { path: `${path}/what`, value: what },
        { path: `${path}/where_it_is`, value: where },
        { path: `${path}/urgency`, value: urgency },
        { path: `${path}/condition_photo`, value: '' },
        { path: `${path}/mark_x`, value: x, unit: '%' },
        { path: `${path}/mark_y`, value: y, unit: '%' },
      ];
    }),
    { path: 'place_sketch', value: SKETCH },
    { path: 'limits_read', value: true },
  ];
}

const SPOTS = 15;

/** The wall of the living room, as far as it is read: it rises from the ground, most at the right. */
const wallRead = (chance: Chance, wettest: number, until: number): Given[] => [
  { path: 'walls/w1', value: { order: 1, name: 'Living room, to the sea' } },
  { path: 'walls/w1/wall_material', value: 'masonry' },
  ...Array.from({ length: SPOTS }, (_, at): Given[] => {
    const [column, line] = [at % 5, Math.floor(at / 5)];
    const path = `walls/w1/spots/r${at + 1}`;
    const wet = wettest * (1 - line / 3.2) * (0.35 + (column / 4) * 0.65) * chance.between(0.9, 1);
    return [
      { path, value: { order: at + 1, name: `${column + 1} across, ${line + 1} up` } },
      { path: `${path}/spot_across`, value: Math.round((column + 0.5) * 60) / 100, unit: 'm' },
      { path: `${path}/spot_up`, value: Math.round((line + 0.5) * 60) / 100, unit: 'm' },
      ...(at < SPOTS * until
        ? [{ path: `${path}/wet`, value: Math.round(wet * 10) / 10, unit: '%' }]
        : []),
    ];
  }).flat(),
];
