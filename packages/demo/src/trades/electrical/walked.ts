import type { AnswerValue } from '@ant-trail/core/log';
import type { Chance } from '../../chance.ts';
import type { Given } from '../given.ts';
import { lookUpIn } from '../looked-up.ts';
import { CIRCUIT_LISTS } from './lists.ts';

/** What a way feeds, its use, device, cable, metres; rings are wired round. */
type Way = readonly [
  feeds: string,
  use: string,
  device: string,
  cable: string,
  metres: number,
  wired?: 'ring',
];

const HALL: readonly Way[] = [
  ['Lights, hall', 'lighting', 'B6', '1.5/1', 22],
  ['Lights, stair', 'lighting', 'B6', '1.5/1', 31],
  ['Stove', 'cooking', 'B32', '6/2.5', 12],
  ['Boiler', 'water', 'B16', '2.5/1.5', 9],
  ['Sockets, south', 'sockets', 'B32', '2.5/1.5', 46, 'ring'],
  ['Sockets, north', 'sockets', 'B20', '2.5/1.5', 27],
  ['Bell and clock', 'other', 'B6', '1/1', 14],
  ['Store room board', 'board', 'B40', '10/4', 18],
];
const STORE: readonly Way[] = [
  ['Lights, store', 'lighting', 'B6', '1.5/1', 16],
  ['Bench sockets', 'sockets', 'B20', '2.5/1.5', 11],
  ['Fan', 'motor', 'C10', '1.5/1', 13],
];
const SPARES = 2;

const OHMS_PER_KM: Readonly<Record<string, number>> = {
  '1/1': 36.2,
  '1.5/1': 30.2,
  '2.5/1.5': 19.51,
  '6/2.5': 10.49,
  '10/4': 6.44,
};

const lookUp = lookUpIn(CIRCUIT_LISTS);

const round2 = (value: number): number => Math.round(value * 100) / 100;

export interface Walk {
  /** How far the tester has come, 0 to 1. */
  readonly until?: number;
  /** A way that trips late, and is observed. */
  readonly late?: string;
}

/** What a tester enters at a place with a main board and one fed from it. */
export function certificateOf(chance: Chance, { until = 1, late }: Walk = {}): Given[] {
  const supply = round2(chance.between(0.16, 0.24));
  const given: Given[] = [
    { path: 'earthing', value: 'TN-C-S' },
    { path: 'outside_loop', value: supply, unit: 'Ohm' },
    { path: 'supply_voltage', value: Math.round(chance.between(228, 236)), unit: 'V' },
    { path: 'ambient', value: 30, unit: 'Cel' },
  ];
  const main = round2(supply + 0.02);
  given.push(...boardOf(chance, 1, 'Board 1', 'Entrance hall', main, HALL, late));
  given.push(...boardOf(chance, 2, 'Board 2', 'Store room', round2(main + 0.12), STORE, late));
  given.push({ path: 'boards/b2/fed_from', value: 'Board 1, way 8' });
  const reached = given.slice(0, Math.ceil(given.length * until));
  if (until < 1) return reached;
  if (late !== undefined)
    reached.push(
      { path: 'observations/o1', value: { order: 1, name: 'Observation 1' } },
      { path: 'observations/o1/code', value: 'C2' },
      { path: 'observations/o1/seen_where', value: 'Store room' },
      {
        path: 'observations/o1/seen_what',
        value: `${late}: the loop is too long for its device, which would trip late`,
      },
    );
  return reached;
}

function boardOf(
  chance: Chance,
  order: number,
  name: string,
  where: string,
  boardLoop: number,
  ways: readonly Way[],
  late: string | undefined,
): Given[] {
  const board = `boards/b${order}`;
  const given: Given[] = [
    { path: board, value: { order, name } },
    { path: `${board}/board_place`, value: where },
    { path: `${board}/board_loop`, value: boardLoop, unit: 'Ohm' },
  ];
  ways.forEach((way, at) => given.push(...wayOf(chance, board, at + 1, way, boardLoop, late)));
  for (let spare = 1; spare <= SPARES; spare++) {
    const path = `${board}/circuits/c${ways.length + spare}`;
    const place = ways.length + spare;
    given.push(
      { path, value: { order: place, name: `Way ${place}` } },
      { path: `${path}/use`, value: 'spare' },
    );
  }
  return given;
}

function wayOf(
  chance: Chance,
  board: string,
  order: number,
  [feeds, use, device, cable, metres, wired = undefined]: Way,
  boardLoop: number,
  late: string | undefined,
): Given[] {
  const path = `${board}/circuits/c${order}`;
  const ends = ((OHMS_PER_KM[cable] ?? 20) * metres) / 1000;
  const own = round2((wired ? ends / 4 : ends) * chance.between(0.94, 1.08));
  const loop = round2(boardLoop + own + (feeds === late ? 2.1 : chance.between(0, 0.03)));
  const say = (key: string, value: AnswerValue, unit?: string): Given => ({
    path: `${path}/${key}`,
    value,
    ...(unit === undefined ? {} : { unit }),
  });
  const hasRcd = use === 'sockets' || use === 'water';
  const line = round2((7.41 * metres) / 1000);
  const earth = round2((12.1 * metres) / 1000);
  return [
    { path, value: { order, name: `Way ${order}` } },
    say('feeds', feeds),
    say('use', use),
    say('device', lookUp('protective_devices', device)),
    ...(hasRcd ? [say('rcd', lookUp('residual_devices', 'A-30'))] : []),
    say('cable', lookUp('cables', cable)),
    say('laid', 'C'),
    say('wired', wired ?? 'radial'),
    say('length', metres, 'm'),
    ...(wired
      ? [
          say('ring_line', line, 'Ohm'),
          say('ring_earth', earth, 'Ohm'),
          say('ring_across', round2((line + earth) / 4), 'Ohm'),
        ]
      : []),
    say('conductors', own, 'Ohm'),
    say(
      'insulation',
      chance.pick<AnswerValue>([240, 310, { offScale: 'above', limit: 999 }]),
      'MOhm',
    ),
    say('polarity', 'yes'),
    say('earth_loop', loop, 'Ohm'),
    ...(hasRcd
      ? [
          say('trip_once', Math.round(chance.between(19, 31)), 'ms'),
          say('trip_five', Math.round(chance.between(8, 17)), 'ms'),
        ]
      : []),
  ];
}
