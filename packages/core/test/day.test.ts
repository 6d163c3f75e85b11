import { isOverdue, nextActionStates } from '../src/actions/index.ts';
import { addDays, daysBetween, inZone, sayLength, sayMinute } from '../src/calendar/index.ts';
import {
  jobState,
  layLane,
  minutesLate,
  nextStep,
  hasSaid,
  isOver,
  lastTry,
  turningBack,
  visitsInOrder,
  visitStanding,
  type Part,
  type Stop,
  type VisitStep,
  isLeftOut,
  sheetToGoOn,
} from '../src/planning/index.ts';
import { needOfEyes, standsOut } from '../src/review/index.ts';
import { fold, summarise, type SheetSummary } from '../src/sheet/index.ts';
import { PLAN } from './support.ts';

const stop = (id: string, start: number, walked: Stop['walked'] = {}): Stop => ({
  id,
  start,
  minutes: 30,
  walked,
});

describe('a day as a lane', () => {
  const stops = [
    stop('c', 700),
    stop('a', 480, { setOff: 470, arrived: 482, left: 510 }),
    stop('b', 560),
  ];

  test('stops lie in order of time, deeper and deeper', () => {
    const { planned, marks } = layLane(stops, null);
    expect(planned.map((p) => p.minute)).toEqual([480, 510, 560, 590, 700, 730]);
    expect(planned.map((p) => p.depth)).toEqual([0, 0, 0.5, 0.5, 1, 1]);
    expect(marks.map((m) => m.id)).toEqual(['a', 'b', 'c']);
  });

  test('what was walked and what is late show at a moment', () => {
    const { walked, marks } = layLane(stops, 600);
    expect(walked.map((p) => p.minute)).toEqual([482, 510]);
    expect(marks.map((m) => m.state)).toEqual(['done', 'late', 'ahead']);
  });

  test('a stop is late only after ten minutes, and never once somebody arrived', () => {
    expect(minutesLate(stop('x', 600), 610)).toBe(0);
    expect(minutesLate(stop('x', 600), 636)).toBe(36);
    expect(minutesLate(stop('x', 600, { arrived: 640 }), 700)).toBe(0);
    expect(minutesLate(stop('x', 600, { setOff: 590, left: 630 }), 700)).toBe(0);
  });
});

test.each([
  [false, false, 'untouched', 'set off'],
  [true, false, 'untouched', 'arrived'],
  [true, true, 'untouched', 'start'],
  [false, true, 'under way', 'go on'],
  // A colleague began it; this person has not been there yet.
  [false, false, 'under way', 'set off'],
  [true, true, 'returned', 'look again'],
  [true, true, 'finished', 'nothing'],
] as const)('set off %s, arrived %s, sheet %s: %s', (setOff, arrived, stage, step) => {
  expect(nextStep({ setOff, arrived, stage })).toBe(step);
});

test.each([
  [{ leading: [] }, 'draft'],
  [{ leading: ['nobody'] }, 'draft'],
  [{ leading: ['nobody', 'planned'] }, 'planned'],
  [{}, 'planned'],
  [{ leading: ['under way'] }, 'under way'],
  [{ leading: ['planned', 'under way'] }, 'under way'],
  [{ leading: ['turned back'] }, 'turned back'],
  [{ leading: ['turned back', 'nobody'] }, 'turned back'],
  [{ leading: ['turned back', 'planned'] }, 'planned'],
  [{ leading: ['turned back', 'under way'] }, 'under way'],
  // Helpers go on without whoever leads only once they are there.
  [{ leading: ['turned back'], helping: ['planned'] }, 'turned back'],
  [{ leading: ['turned back'], helping: ['under way'] }, 'under way'],
  [{ leading: ['planned'], helping: ['turned back'] }, 'planned'],
  [{ leading: ['nobody'], helping: ['turned back', 'planned'] }, 'planned'],
  // What was begun before turning back does not hide that nobody is at it.
  [{ leading: ['turned back'], stages: ['under way'] }, 'turned back'],
  [{ leading: ['turned back'], stages: ['finished'] }, 'in review'],
  [{ stages: ['under way'] }, 'under way'],
  [{ stages: ['finished', 'under way'] }, 'under way'],
  [{ stages: ['finished', 'approved'] }, 'in review'],
  [{ stages: ['approved', 'returned'] }, 'returned'],
  [{ stages: ['approved'] }, 'approved'],
  [{ decision: 'cancelled', stages: ['approved'] }, 'cancelled'],
  [{ decision: 'closed', stages: ['under way'] }, 'closed'],
  [{ decision: 'reopened', stages: ['approved'] }, 'approved'],
  // What somebody went past is not waited for; where that is all, nothing was done.
  [{ stages: ['approved'], leftOut: 2 }, 'approved'],
  [{ stages: ['finished'], leftOut: 2, expected: 3 }, 'in review'],
  [{ stages: ['untouched'], leftOut: 2 }, 'planned'],
  [{ stages: [], leftOut: 1 }, 'turned back'],
  // Two are still to be found on site.
  [{ stages: ['approved'], expected: 3 }, 'under way'],
  // Whoever answers for the place has not signed.
  [{ stages: ['finished'], unsigned: true }, 'under way'],
  [{ stages: ['untouched'], unsigned: true }, 'planned'],
  [{ decision: 'closed', stages: ['finished'], unsigned: true }, 'closed'],
  [{ stages: ['finished', 'approved'], expected: 2 }, 'in review'],
] as const)('a job with %j is %s', (known, state) => {
  const job = {
    ...{ decision: null, leading: ['planned'] as const, helping: [], expected: null },
    stages: ['untouched'] as const,
  };
  expect(jobState({ ...job, ...known })).toBe(state);
});

test('a visit stands where its last step left it, in whatever order they arrive', () => {
  const [off, arrived, back, again] = (
    ['set off', 'arrived', 'turned back', 'set off'] as const
  ).map((kind, at) => ({ id: `0${at}`, kind }));
  const said = [off, arrived, back].filter((step) => step !== undefined);
  expect(visitStanding(null, [])).toBe('nobody');
  expect(visitStanding('p', [])).toBe('planned');
  expect(visitStanding('p', said.slice(0, 2))).toBe('under way');
  expect(visitStanding('p', said.toReversed())).toBe('turned back');
  expect(turningBack(said.toReversed())).toBe(back);
  expect(turningBack(said.slice(0, 2))).toBeNull();
  expect(lastTry(said.toReversed())).toEqual(said);
  expect(again && visitStanding('p', [again, ...said])).toBe('under way');
  expect(again && lastTry([again, ...said])).toEqual([again]);
  expect(lastTry([])).toEqual([]);
  expect([hasSaid(said.slice(0, 2), 'arrived'), hasSaid(said, 'arrived')]).toEqual([true, false]);
  expect(again && hasSaid([again, ...said], 'arrived')).toBe(false);
  expect([isOver([]), isOver(said.slice(0, 2)), isOver(said.toReversed())]).toEqual([
    ...[false, false, true],
  ]);
  expect(again && isOver([again, ...said])).toBe(false);
});

test('of a job’s visits the one that counts comes first: who leads, and not one that turned back', () => {
  const visit = (id: string, part: Part, day: string, ...kinds: VisitStep[]) => ({
    ...{ id, part, day, start: 480 },
    events: kinds.map((kind, at) => ({ id: `${id}${at}`, kind })),
  });
  const visits = [
    visit('helper', 'helps', '2031-04-01'),
    visit('closed door', 'leads', '2031-04-01', 'arrived', 'turned back'),
    visit('key found', 'leads', '2031-04-02', 'turned back', 'set off'),
    visit('later', 'leads', '2031-04-03'),
    visit('helper turned back', 'helps', '2031-03-01', 'turned back'),
  ];
  expect(visitsInOrder(visits).map(({ id }) => id)).toEqual([
    'key found',
    'later',
    'closed door',
    'helper',
    'helper turned back',
  ]);
});

describe('actions', () => {
  const today = '2031-04-05';
  const action = (
    id: string,
    state: 'open' | 'done' | 'verified',
    severity: 1 | 3,
    dueOn: string,
  ) => ({
    id,
    state,
    severity,
    dueOn,
  });

  test('are overdue the day after, unless done', () => {
    expect(isOverdue(action('a', 'open', 1, today), today)).toBe(false);
    expect(isOverdue(action('a', 'open', 1, '2031-04-04'), today)).toBe(true);
    expect(isOverdue(action('a', 'done', 1, '2031-04-04'), today)).toBe(false);
  });

  test('end when verified, and come back in hand when the check fails', () => {
    expect(nextActionStates('verified')).toEqual([]);
    expect(nextActionStates('done')).toEqual(['verified', 'in hand']);
  });
});

test('the worst sheet is read first', () => {
  const usual = summarise(fold(PLAN, []));
  const danger: SheetSummary = { ...usual, worst: 4 };
  const many: SheetSummary = { ...usual, worst: 2, alerts: 9, disagreements: 3 };
  expect([usual, many, danger].sort((a, b) => needOfEyes(b) - needOfEyes(a))).toEqual([
    danger,
    many,
    usual,
  ]);
  expect(standsOut({ ...usual, alerts: 1, disagreements: 2 })).toEqual([
    '1 reading out',
    '2 differ',
  ]);
});

describe('the calendar', () => {
  test('days over the end of February and of the year', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2027-01-01', -1)).toBe('2026-12-31');
    expect(daysBetween('2026-12-30', '2027-01-02')).toBe(3);
  });

  // Both clock changes of 2026 in Central Europe: 29 March and 25 October, 01:00 UTC.
  test.each([
    ['2026-03-29T00:59:00Z', '2026-03-29', 119],
    ['2026-03-29T01:00:00Z', '2026-03-29', 180],
    ['2026-10-25T00:59:00Z', '2026-10-25', 179],
    ['2026-10-25T01:00:00Z', '2026-10-25', 120],
  ])('%s in Berlin', (at, day, minute) => {
    expect(inZone(new Date(at), 'Europe/Berlin')).toEqual({ day, minute });
  });

  test('times and lengths as people say them', () => {
    expect(sayMinute(520)).toBe('08:40');
    expect([45, 60, 95].map(sayLength)).toEqual(['45 min', '1 h', '1 h 35']);
  });
});

test('a sheet that is left out is gone past, until somebody begins it', () => {
  const said = { reason: 'Locked' };
  const sheet = (id: string, stage: 'untouched' | 'under way' | 'finished', leftOut = false) => ({
    ...{ id, stage },
    leftOut: leftOut ? said : null,
  });
  const next = (...sheets: ReturnType<typeof sheet>[]): string | undefined =>
    sheetToGoOn(sheets)?.id;
  expect(next(sheet('a', 'untouched', true), sheet('b', 'untouched'))).toBe('b');
  expect(next(sheet('a', 'untouched', true), sheet('b', 'finished'))).toBe('b');
  expect(next(sheet('a', 'under way', true), sheet('b', 'untouched'))).toBe('a');
  expect(next(sheet('a', 'untouched', true))).toBe('a');
  expect(next()).toBeUndefined();
  expect(isLeftOut(sheet('a', 'untouched', true))).toBe(true);
  expect(isLeftOut(sheet('a', 'finished', true))).toBe(false);
  expect(isLeftOut(sheet('a', 'untouched'))).toBe(false);
});
