import type { OrderAnswer, BoardStop } from '@ant-trail/contract/planning/desk';
import { sayNotPlaced } from '@/features/planning/desk/better-order.tsx';
import {
  cardsWith,
  changedIn,
  handsChanged,
  plansFor,
  promisesMissed,
  sayDayChange,
} from '@/features/planning/desk/in-order.ts';
import { sayLegs } from '@/features/maps/field/way-words.ts';

const card = (
  id: string,
  person: string | null,
  start: number,
  job: object = { windowFrom: null, windowTo: null },
): BoardStop =>
  ({ siteName: id.toUpperCase(), visit: { id, person, start, minutes: 30 }, job }) as never;
const cards = [
  card('a', 'imke', 480),
  card('b', 'imke', 540),
  card('c', 'jory', 600),
  card('d', null, 600),
  card('e', 'marn', 700),
];
const own = { reordered: [], takes: [], gives: [], minutes: 0 };
const order: OrderAnswer = {
  before: { minutes: 100, metres: 9_000 },
  after: { minutes: 80, metres: 7_000 },
  trails: [
    {
      person: 'imke',
      stops: [
        { visit: 'b', start: 480 },
        { visit: 'c', start: 530 },
        { visit: 'd', start: 590 },
      ],
    },
    { person: 'jory', stops: [] },
    { person: 'marn', stops: [] },
  ],
  changes: [
    {
      minutes: -20,
      people: [
        {
          ...{ ...own, person: 'imke', minutes: -5 },
          takes: [
            { visit: 'c', from: 'jory' },
            { visit: 'd', from: null },
          ],
          gives: [{ visit: 'a', to: null }],
        },
        { ...own, person: 'jory', gives: [{ visit: 'c', to: 'imke' }], minutes: -15 },
      ],
    },
    { minutes: 0, people: [{ ...own, person: 'marn', gives: [{ visit: 'e', to: null }] }] },
  ],
  leftOut: [],
};
const [first, second] = order.changes;
if (!first || !second) throw new Error('no changes');
const naming = { place: (id: string) => id.toUpperCase(), person: (id: string) => id };

test('a part of an order makes plans of what is other in it, and of nothing else', () => {
  const plans = plansFor(order, [first], cards);
  expect(plans).toEqual([
    { visit: 'b', person: 'imke', start: 480, was: { person: 'imke', start: 540 } },
    { visit: 'c', person: 'imke', start: 530, was: { person: 'jory', start: 600 } },
    { visit: 'd', person: 'imke', start: 590, was: { person: null, start: 600 } },
    { visit: 'a', person: null, start: 480, was: { person: 'imke', start: 480 } },
  ]);
  const shown = cardsWith(cards, plans);
  expect(shown.map(({ visit }) => visit.person)).toEqual([null, 'imke', 'imke', 'imke', 'marn']);
  expect(plansFor(order, [first], shown)).toEqual([]);
  expect([...changedIn([first])]).toEqual(['c', 'd']);
  expect(handsChanged([first])).toBe(2);
});

test('promised times that an order does not keep are counted, early, late and left out', () => {
  const at = (windowFrom: number | null, windowTo: number | null) => ({ windowFrom, windowTo });
  expect(promisesMissed(order, cards)).toBe(0);
  const promised = [
    card('b', 'imke', 540, at(480, 500)),
    card('c', 'jory', 600, at(540, null)),
    card('d', null, 600, at(null, 580)),
    card('e', 'marn', 700, at(700, 720)),
  ];
  const left = { ...order, leftOut: [{ visit: 'e', why: { code: 'suits nobody' as const } }] };
  expect([promisesMissed(order, promised), promisesMissed(left, promised)]).toEqual([2, 3]);
});

test('what becomes other is said by the names of places and people', () => {
  expect(first.people.map((each) => sayDayChange(each, order, naming))).toEqual([
    'takes C from jory; takes D; leaves out A',
    'gives C to imke',
  ]);
  const many = {
    ...own,
    person: 'imke',
    takes: ['a', 'b', 'c', 'd', 'e'].map((visit) => ({ visit, from: 'x' })),
  };
  expect(sayDayChange(many, order, naming)).toBe('takes A, B, C and 2 more from x');
  const moved = { ...own, person: 'imke', reordered: ['b', 'd', 'c'] };
  expect(sayDayChange(moved, order, naming)).toBe('B before C; D last; 1 more moved');
});

test('why nobody can be given a stop is said in words', () => {
  expect(sayNotPlaced({ code: 'out of reach', soonest: 612, until: 600 }, naming)).toBe(
    'nobody is there by 10:00: the first could be at 10:12',
  );
  expect(sayNotPlaced({ code: 'days are full', could: ['imke', 'jory', 'marn'] }, naming)).toMatch(
    /^no room: imke, jory and marn could/,
  );
});

test('the way is said piece by piece with its hours', () => {
  const leg = { metres: 2_300, minutes: 6, waits: 0, line: [] };
  expect(
    sayLegs(
      [
        { ...leg, by: 'driving', name: 'Harbour road' },
        { ...leg, by: 'riding', name: 'Gannet cableway', minutes: 13, waits: 4 },
        { ...leg, by: 'walking', name: '', metres: 40, minutes: 0.6 },
      ],
      600,
    ),
  ).toEqual([
    { at: '10:00', words: 'Drive: Harbour road', about: '2.3 km, 6 min' },
    { at: '10:06', words: 'Ride the Gannet cableway', about: 'goes at 10:10, there in 9 min' },
    { at: '10:19', words: 'Walk across', about: '40 m, under a minute' },
  ]);
});
