import fc from 'fast-check';
import {
  betterDay,
  waysAmong,
  type DayOfWork,
  type DayOrder,
  type DayPerson,
  type DayVisit,
} from '../src/planning/order/index.ts';
import { estimateWay } from '../src/planning/index.ts';

/** Places along a road, some seven minutes apart. */
const at = (place: number) => ({ lat: 38, lon: -41 + place * 0.025 });
const person = (id: string, more: Partial<DayPerson> = {}): DayPerson => ({
  ...{ id, startsAt: at(0), hours: [{ from: 480, to: 1_020 }], away: false, ...more },
});
const visit = (id: string, place: number, more: Partial<DayVisit> = {}): DayVisit => ({
  ...{ id, person: 'imke', at: at(place), start: 600, minutes: 30, promised: null, together: null },
  ...{ standing: { is: 'ahead' }, unsuited: [], lastPerson: null, ...more },
});
const day = (visits: readonly DayVisit[], more: Partial<DayOfWork> = {}): DayOfWork => ({
  ...{ people: [person('imke')], visits, now: null, evenly: false, ...more },
});
function look(of: DayOfWork): DayOrder {
  let now = 0;
  return betterDay(of, waysAmong(null), { millis: 40, now: () => now++ });
}
const startsOf = (order: DayOrder, who = 'imke'): Record<string, number> =>
  Object.fromEntries(
    (order.trails.find((trail) => trail.person === who)?.stops ?? []).map(
      ({ visit: id, start }) => [id, start],
    ),
  );

test('what is over stays, what is begun is finished first, and the rest goes on from there', () => {
  const order = look(
    day(
      [
        visit('over', 4, { start: 480, standing: { is: 'over', since: 560 } }),
        visit('here', 8, { start: 570, standing: { is: 'arrived', since: 580 } }),
        visit('near', 9, { start: 900 }),
        visit('far', 0, { start: 700 }),
      ],
      { now: 590 },
    ),
  );
  const starts = startsOf(order);
  expect(Object.keys(starts)).toEqual(['near', 'far']);
  // Half an hour since 580 at place 8, then a place further.
  expect(starts['near']).toBeGreaterThanOrEqual(610 + 7);
  expect(starts['near']).toBeLessThan(625);
});

test('whoever is on the way goes there first, late or not', () => {
  const order = look(
    day(
      [
        visit('going', 9, { promised: { from: 400, to: 410 }, standing: { is: 'set off' } }),
        visit('near', 1, { start: 500 }),
      ],
      { now: 600 },
    ),
  );
  expect(Object.keys(startsOf(order))[0]).toBe('going');
});

test('hours with a gap in them have nothing begin in the gap, and nothing end after them', () => {
  const hours = [
    { from: 480, to: 720 },
    { from: 780, to: 1_000 },
  ];
  const visits = Array.from({ length: 14 }, (_, i) =>
    visit(`${i}`, i % 5, { start: 480 + i * 30 }),
  );
  const order = look(
    day(visits, { people: [person('imke', { hours }), person('jory', { hours })] }),
  );
  const starts = order.trails.flatMap(({ stops }) => stops.map(({ start }) => start));
  expect(starts).toHaveLength(14);
  for (const start of starts) {
    expect(start >= 480 && start <= 970).toBe(true);
    expect(start < 720 || start >= 780).toBe(true);
  }
});

test('those who go together are there at one hour, a later one where the first can’t be kept any more', () => {
  const people = [person('imke'), person('jory')];
  const pair = { together: 'ropes', start: 600, minutes: 40 };
  const visits = [
    visit('a', 8, { ...pair, person: 'imke' }),
    visit('b', 8, { ...pair, person: 'jory' }),
    visit('c', 1, { person: 'imke', start: 900 }),
  ];
  for (const now of [null, 580]) {
    const order = look(day(visits, { people, now }));
    const starts = order.trails.map(
      ({ stops }) => stops.find(({ visit: id }) => id === 'a' || id === 'b')?.start,
    );
    expect(new Set(starts).size).toBe(1);
    expect(order.leftOut).toEqual([]);
  }
});

test('a promise that nobody can keep any more is kept late, not dropped', () => {
  const late = visit('late', 4, { promised: { from: 480, to: 540 }, start: 500 });
  const order = look(day([late, visit('next', 5, { start: 700 })], { now: 600 }));
  expect(order.leftOut).toEqual([]);
  expect(Object.keys(startsOf(order))).toContain('late');
});

test('somebody of whom nobody knows anything is sent last, and may keep what they have', () => {
  const unknown = person('jory', { startsAt: null, hours: [] });
  const people = [person('imke'), unknown];
  const free = look(day([visit('free', 4, { person: null })], { people }));
  expect(Object.keys(startsOf(free))).toEqual(['free']);
  const kept = look(
    day([visit('own', 4, { person: 'jory', unsuited: ['jory'], start: 420 })], { people }),
  );
  expect(startsOf(kept, 'jory')).toEqual({ own: 420 });
  expect(kept.changes).toEqual([]);
});

test('a day that stands well is left alone: its hours too', () => {
  const order = look(day([visit('one', 1, { start: 533 }), visit('two', 2, { start: 611 })]));
  expect(order.changes).toEqual([]);
  expect(startsOf(order)).toEqual({ one: 533, two: 611 });
  expect(order.after).toEqual(order.before);
});

test('a day in another order begins when it was planned to, as long as nothing promised is lost by that', () => {
  const hours = [{ from: 300, to: 1_020 }];
  const toAndFro = [
    visit('a', 1, { start: 540 }),
    visit('b', 8, { start: 620 }),
    visit('c', 1, { start: 700 }),
    visit('d', 8, { start: 780 }),
  ];
  const free = look(day(toAndFro, { people: [person('imke', { hours })] }));
  expect(free.changes.length).toBeGreaterThan(0);
  expect(Math.min(...Object.values(startsOf(free)))).toBe(540);
  // Somebody waits early at one of them: that counts more.
  const promised = toAndFro.map((each) =>
    each.id === 'd' ? { ...each, promised: { from: 330, to: 420 } } : each,
  );
  const early = startsOf(look(day(promised, { people: [person('imke', { hours })] })));
  expect(early['d']).toBeLessThanOrEqual(420);
  expect(Object.keys(early)).toHaveLength(4);
});

const NAMES = ['imke', 'jory', 'marn'];
const days = fc
  .array(
    fc.record({
      place: fc.nat(8),
      person: fc.option(fc.constantFrom(...NAMES)),
      start: fc.integer({ min: 480, max: 900 }),
      minutes: fc.integer({ min: 5, max: 90 }),
      promised: fc.option(
        fc.tuple(fc.integer({ min: 400, max: 900 }), fc.nat(120)).map(([from, long]) => ({
          ...{ from, to: from + long },
        })),
      ),
      unsuited: fc.subarray(NAMES),
      lastPerson: fc.option(fc.constantFrom(...NAMES)),
      together: fc.constantFrom(null, null, 'a job'),
    }),
    { maxLength: 12 },
  )
  .map((all) => all.map(({ place, ...each }, i) => visit(`v${i}`, place, each)));

test('any day: each visit once, with who suits or has it, when it was promised, and not worse', () => {
  fc.assert(
    fc.property(days, fc.subarray(NAMES), fc.boolean(), (visits, away, evenly) => {
      const people = NAMES.map((id) => person(id, { away: away.includes(id) }));
      const order = look(day(visits, { people, evenly }));
      const known = new Map(visits.map((each) => [each.id, each]));
      const said = order.trails.flatMap(({ person: who, stops }) =>
        stops.map((stop) => ({ ...stop, who, of: known.get(stop.visit) })),
      );
      expect(
        [...said.map((each) => each.visit), ...order.leftOut.map((each) => each.visit)].sort(),
      ).toEqual(visits.map(({ id }) => id).sort());
      const other = new Set(order.changes.flatMap((each) => each.people.map((one) => one.person)));
      for (const { who, start, of } of said) {
        expect(away).not.toContain(who);
        if (of?.person !== who) expect(of?.unsuited).not.toContain(who);
        if (of?.together) expect(who).toBe(of.person);
        else if (of?.promised && other.has(who)) {
          expect(start).toBeGreaterThanOrEqual(of.promised.from);
          const soonest = 480 + estimateWay(at(0), of.at).minutes;
          expect(start).toBeLessThanOrEqual(soonest > of.promised.to ? 1_440 : of.promised.to);
        }
      }
      // Whatever goes to somebody comes from somebody, or from nobody.
      for (const { people: own } of order.changes)
        for (const { takes } of own)
          for (const { visit: id, from } of takes)
            expect(known.get(id)?.person ?? null).toBe(from ?? null);
      expect(order.changes.every(({ people: own }) => own.length > 0)).toBe(true);
    }),
    { numRuns: 120 },
  );
});

test('nobody is given more than their vehicle holds, counting what they have brought already', () => {
  const boxes = (much: number) => ({ takes: [{ what: 'boxes', much }] });
  const visits = [
    visit('over', 1, { ...boxes(2), standing: { is: 'over', since: 540 } }),
    visit('mine', 2, boxes(1)),
    visit('free', 3, { ...boxes(2), person: null }),
    visit('huge', 3, { ...boxes(9), person: null }),
  ];
  const holds = [{ what: 'Boxes ', much: 4 }];
  const order = look(
    day(visits, {
      people: [person('imke', { holds }), person('jory', { holds: [{ what: 'boxes', much: 2 }] })],
      now: 560,
    }),
  );
  expect(Object.keys(startsOf(order))).toEqual(['mine']);
  expect(Object.keys(startsOf(order, 'jory'))).toEqual(['free']);
  expect(order.leftOut).toEqual([{ visit: 'huge', why: { code: 'too much', measure: 'boxes' } }]);
});

test('what is planned may be carried, though it is more than the vehicle holds', () => {
  const order = look(
    day([visit('a', 2, { takes: [{ what: 'kg', much: 50 }] })], {
      people: [person('imke', { holds: [{ what: 'kg', much: 10 }] })],
    }),
  );
  expect(Object.keys(startsOf(order))).toEqual(['a']);
  expect(order.leftOut).toEqual([]);
});
