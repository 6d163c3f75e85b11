import type { Given } from '../given.ts';

/** What was agreed for one house, as its survey told. */
const AGREED: readonly Given[] = [
  { path: 'house_volume', value: 254, unit: 'm3' },
  { path: 'changes_before', value: 8.7, unit: '/h' },
  { path: 'changes_agreed', value: 6.1, unit: '/h' },
  { path: 'use_before', value: 34_100, unit: 'kW.h' },
  { path: 'use_agreed', value: 22_400, unit: 'kW.h' },
];

const WORKS = [
  ['Wall to the sea', 'Cork on the wall, 120 mm', 38, 4_350],
  ['Ceiling under the loft', 'Wool in the loft, 300 mm', 64, 5_240],
  ['Windows to the lane', 'Windows with two panes', 4.4, 610],
  ['Gaps sealed', 'Gaps sealed', null, 1_480],
] as const;

const works = (said: (at: number) => readonly Given[]): Given[] =>
  WORKS.flatMap(([name, measure, area, saving], at): Given[] => {
    const path = `works/w${at + 1}`;
    return [
      { path, value: { order: at + 1, name } },
      { path: `${path}/work_measure`, value: measure },
      ...(area === null ? [] : [{ path: `${path}/work_area`, value: area, unit: 'm2' }]),
      { path: `${path}/work_saving`, value: saving, unit: 'kW.h' },
      ...said(at).map((each) => ({ ...each, path: `${path}/${each.path}` })),
    ];
  });

/** The measures were done, one of them otherwise than agreed. */
export const workWalked = (): Given[] => [
  ...AGREED,
  ...works((at) =>
    at === 2
      ? [
          { path: 'work_done', value: 'otherwise' },
          { path: 'work_otherwise', value: 'The frame of the left one was sound: panes alone.' },
        ]
      : [{ path: 'work_done', value: 'as_agreed' }],
  ),
  { path: 'draws_after', value: 'yes' },
];

/** Three months on: what came of it. */
export const checkWalked = (): Given[] => [
  ...AGREED,
  ...works(() => [{ path: 'work_holds', value: 'yes' }]),
  ...[60, 50, 40, 30, 20].flatMap((pressure, at): Given[] => {
    const path = `points_after/p${at + 1}`;
    const flow = Math.round(126 * pressure ** 0.65 * (at % 2 ? 1.008 : 0.994));
    return [
      { path, value: { order: at + 1, name: `${pressure} Pa` } },
      { path: `${path}/pressure_after`, value: pressure, unit: 'Pa' },
      { path: `${path}/flow_after`, value: flow, unit: 'm3/h' },
    ];
  }),
  { path: 'days_since', value: 124, unit: 'd' },
  { path: 'used_since', value: 7_350, unit: 'kW.h' },
];
