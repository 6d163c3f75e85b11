import fc from 'fast-check';
import {
  backwards,
  giveUp,
  hoursOn,
  loadOf,
  makeRoom,
  misfits,
  MOST_STEPS,
  NO_STEPS,
  noteStep,
  planMinute,
  stepAgain,
  stepBack,
  type BoardVisit,
  type Placing,
  type PlanSteps,
} from '../src/planning/board/index.ts';

/** A Tuesday. */
const DAY = '2031-04-08';
const HOURS = { hours: [{ weekday: 2, from: 480, to: 1_020 }], absences: [] };
const visit = (id: string, start: number, more: Partial<BoardVisit> = {}): BoardVisit => ({
  ...{ id, site: id, start, minutes: 60, windowFrom: null, windowTo: null },
  ...{ events: [], settled: false, ...more },
});
const said = (...kinds: ('set off' | 'arrived' | 'left' | 'turned back')[]) =>
  kinds.map((kind, at) => ({ id: String(at), kind }));
const near = () => 10;

test('a day with time for every way fits', () => {
  expect(misfits([visit('a', 480), visit('b', 550), visit('c', 620)], HOURS, DAY, near)).toEqual(
    [],
  );
});

test('being at two places at once is seen, with whatever keeps longest', () => {
  const long = visit('long', 480, { minutes: 200 });
  const found = misfits([long, visit('b', 500), visit('c', 600)], HOURS, DAY, near);
  expect(found).toEqual([
    { code: 'overlap', visit: 'b', with: 'long', minutes: 60 },
    { code: 'overlap', visit: 'c', with: 'long', minutes: 60 },
  ]);
  const [only] = misfits([visit('a', 480), visit('b', 530)], HOURS, DAY, near);
  expect(only).toMatchObject({ code: 'overlap', minutes: 10 });
});

test('a way that takes longer than there is time for it is seen, none within one place', () => {
  const found = misfits([visit('a', 480), visit('b', 545)], HOURS, DAY, near);
  expect(found).toEqual([{ code: 'too far', visit: 'b', from: 'a', takes: 10, has: 5 }]);
  const one = [visit('a', 480, { site: 'hut' }), visit('b', 540, { site: 'hut' })];
  expect(misfits(one, HOURS, DAY, near)).toEqual([]);
});

test('promises, hours and days off are looked at', () => {
  const early = visit('early', 480, { windowFrom: 500, windowTo: 600 });
  const late = visit('late', 1_000);
  expect(misfits([early, late], HOURS, DAY, near)).toEqual([
    { code: 'promise', visit: 'early', from: 500, to: 600 },
    { code: 'outside hours', visit: 'late', hours: [{ from: 480, to: 1_020 }] },
  ]);
  const away = { hours: [], absences: [{ from: DAY, to: DAY, why: 'course' }] };
  expect(misfits([visit('a', 480)], away, DAY, near)).toEqual([
    { code: 'absent', visit: 'a', why: 'course' },
  ]);
  expect(misfits([visit('a', 100)], { hours: [], absences: [] }, DAY, near)).toEqual([]);
});

test('what was begun, is over or is settled is judged no more, but who is there can’t be elsewhere', () => {
  const left = visit('left', 480, { events: said('set off', 'arrived', 'left') });
  const back = visit('back', 490, { events: said('set off', 'turned back') });
  const gone = visit('gone', 500, { settled: true });
  expect(misfits([left, back, gone, visit('a', 500)], HOURS, DAY, near)).toEqual([]);
  const there = visit('there', 100, { events: said('arrived') });
  expect(misfits([there, visit('b', 150)], { hours: [], absences: [] }, DAY, near)).toEqual([
    { code: 'overlap', visit: 'b', with: 'there', minutes: 10 },
  ]);
});

test('a day comes to its work and the ways between, against the hours of the weekday', () => {
  const back = visit('back', 700, { events: said('turned back') });
  expect(loadOf([visit('b', 600), visit('a', 480), back], HOURS, DAY, near)).toEqual({
    ...{ work: 120, travel: 10, hours: 540 },
  });
  expect(hoursOn(HOURS, '2031-04-09')).toBe(0);
  expect(hoursOn({ hours: [], absences: [] }, DAY)).toBeNull();
  expect(hoursOn({ ...HOURS, absences: [{ from: '2031-04-01', to: DAY, why: '' }] }, DAY)).toBe(0);
});

const anyVisits = fc
  .array(
    fc.record({
      site: fc.constantFrom('hut', 'weir', 'pier'),
      start: fc.integer({ min: 0, max: 200 }).map((at) => at * 5),
      minutes: fc.integer({ min: 1, max: 12 }).map((at) => at * 5),
      state: fc.constantFrom('ahead', 'ahead', 'ahead', 'there', 'left', 'settled'),
    }),
    { maxLength: 12 },
  )
  .map((all) =>
    all.map(({ site, start, minutes, state }, at): BoardVisit =>
      visit(`v${at}`, start, {
        ...{ site, minutes, settled: state === 'settled' },
        events:
          state === 'there' ? said('arrived') : state === 'left' ? said('arrived', 'left') : [],
      }),
    ),
  );
const ways = (from: BoardVisit, to: BoardVisit): number =>
  Math.abs(from.site.length - to.site.length) * 7 + 3.4;

test('room that was made leaves nothing that overlaps or is too far, moves nothing back and no more than it has to', () => {
  fc.assert(
    fc.property(anyVisits, (visits) => {
      const moved = makeRoom(visits, ways);
      if (moved === null) return;
      const placed = visits.map((each) => ({ ...each, start: moved.get(each.id) ?? each.start }));
      const found = misfits(placed, { hours: [], absences: [] }, DAY, ways);
      expect(found.filter(({ code }) => code === 'overlap' || code === 'too far')).toEqual([]);
      for (const each of visits) {
        const start = moved.get(each.id);
        if (start === undefined) continue;
        expect(start).toBeGreaterThan(each.start);
        expect(each.events).toEqual([]);
        // A step earlier it would not fit.
        const sooner = placed.map((one) =>
          one.id === each.id ? { ...one, start: start - 5 } : one,
        );
        const misses = misfits(sooner, { hours: [], absences: [] }, DAY, ways);
        expect(misses.some(({ code }) => code === 'overlap' || code === 'too far')).toBe(true);
      }
      // Done twice it changes nothing more.
      expect(makeRoom(placed, ways)?.size ?? 0).toBe(0);
    }),
  );
});

test('past what somebody is at already no more is moved than it has to', () => {
  const moved = makeRoom(
    [
      visit('v0', 80, { site: 'hut', minutes: 60 }),
      visit('v1', 85, { site: 'pier', minutes: 5 }),
      visit('v2', 135, { site: 'pier', minutes: 10, events: said('arrived') }),
    ],
    ways,
  );
  expect([...(moved ?? [])]).toEqual([['v1', 145]]);
});

test('a day that is too short for it makes no room', () => {
  const long = (id: string) => visit(id, 900, { minutes: 400 });
  expect(makeRoom([long('a'), long('b'), long('c')], near)).toBeNull();
});

test('a minute of a plan lies on its steps and within the day', () => {
  expect([-20, 7, 8, 1_500].map(planMinute)).toEqual([0, 5, 10, 1_435]);
});

type Board = Record<string, Placing>;
const apply = (board: Board, moves: readonly { visit: string; to: Placing }[]): Board => ({
  ...board,
  ...Object.fromEntries(moves.map(({ visit: id, to }) => [id, to])),
});
const placing = fc.record({
  person: fc.constantFrom('imke', 'sef', null),
  day: fc.constantFrom('2031-04-08', '2031-04-09'),
  start: fc.integer({ min: 0, max: 9 }),
});

test('undoing every step puts all back, and doing them again brings all forth', () => {
  fc.assert(
    fc.property(
      fc.array(fc.dictionary(fc.constantFrom('a', 'b', 'c'), placing, { minKeys: 1 }), {
        maxLength: MOST_STEPS,
      }),
      (all) => {
        const at = { person: null, day: '2031-04-08', start: 0 };
        const first: Board = { a: at, b: at, c: at };
        let board = first;
        let steps: PlanSteps = NO_STEPS;
        for (const to of all) {
          const moves = Object.entries(to).map(([id, place]) => ({
            ...{ visit: id, from: board[id] ?? at, to: place },
          }));
          steps = noteStep(steps, { words: 'moved', moves });
          board = apply(board, moves);
        }
        const last = board;
        for (let step = steps.done.at(-1); step; step = steps.done.at(-1)) {
          board = apply(board, backwards(step).moves);
          steps = stepBack(steps);
        }
        expect(board).toEqual(first);
        for (let step = steps.undone.at(-1); step; step = steps.undone.at(-1)) {
          board = apply(board, step.moves);
          steps = stepAgain(steps);
        }
        expect(board).toEqual(last);
      },
    ),
  );
});

test('twenty steps are kept; what moves nothing is none; a new one ends what was undone', () => {
  const move = (start: number) => ({
    ...{
      visit: 'a',
      from: { person: null, day: DAY, start },
      to: { person: null, day: DAY, start: start + 1 },
    },
  });
  let steps = NO_STEPS;
  for (let at = 0; at < 25; at++) steps = noteStep(steps, { words: `${at}`, moves: [move(at)] });
  expect(steps.done.map(({ words }) => words)).toEqual(
    Array.from({ length: MOST_STEPS }, (_, at) => `${at + 5}`),
  );
  const still = { ...move(1), to: move(1).from };
  expect(noteStep(steps, { words: 'none', moves: [still] })).toBe(steps);
  expect(noteStep(stepBack(steps), { words: 'new', moves: [move(9)] }).undone).toEqual([]);
  const [first] = steps.done;
  if (!first) throw new Error('no step');
  expect(giveUp(steps, first).done).not.toContain(first);
  expect([stepBack(NO_STEPS), stepAgain(NO_STEPS)]).toEqual([NO_STEPS, NO_STEPS]);
});

test('a day that takes more than the vehicle holds says at which stop, whatever is written large', () => {
  const holds = [{ what: 'kg', much: 100 }];
  const heavy = (id: string, start: number, much: number, more: Partial<BoardVisit> = {}) =>
    visit(id, start, { takes: [{ what: 'KG', much }], ...more });
  const own = { ...HOURS, holds };
  const found = misfits(
    [heavy('a', 480, 60), heavy('b', 600, 40), heavy('c', 720, 1)],
    own,
    DAY,
    near,
  );
  expect(found).toEqual([{ code: 'vehicle', visit: 'c', what: 'KG', takes: 101, holds: 100 }]);
  // Whoever turned back brought nothing there; what nobody knows of, everything holds.
  const back = heavy('b', 600, 40, { events: said('set off', 'turned back') });
  expect(misfits([heavy('a', 480, 60), back, heavy('c', 720, 1)], own, DAY, near)).toEqual([]);
  expect(misfits([heavy('a', 480, 900)], HOURS, DAY, near)).toEqual([]);
});
