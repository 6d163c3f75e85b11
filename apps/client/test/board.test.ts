import type { BoardStop } from '@ant-trail/contract/planning/desk';
import {
  canMove,
  lanesOf,
  waysBetween,
  withPlacings,
} from '@/features/planning/desk/board/board-stops.ts';
import { sayLoad, sayMisfit, sayPlacing } from '@/features/planning/desk/board/board-words.ts';
import { mondayOf, sayView, stepFrom } from '@/features/planning/desk/board/board-bar.tsx';
import { narrow } from '@/features/planning/desk/board/narrow.ts';
import {
  answerCame,
  redoStep,
  stepsOf,
  takeStep,
  undoStep,
  usePlanSteps,
} from '@/features/planning/desk/board/plan-steps.ts';

const DAY = '2031-04-08';
const stop = (id: string, person: string | null, start: number, more: object = {}): BoardStop => ({
  job: {
    ...{ id: `job of ${id}`, title: 'Round', state: 'planned' as const, takes: [], round: null },
    ...{ windowFrom: null, windowTo: null },
  },
  visit: {
    ...{ id, job: `job of ${id}`, person, day: DAY, start, minutes: 60, part: 'leads' as const },
    events: [],
    ...more,
  },
  ...{ site: `site of ${id}`, siteName: `Place ${id}` },
  at: { lat: 38, lon: -41 + start / 10_000 },
});
const people = [
  { id: 'imke', name: 'Imke', trade: 'cableways', roles: [], retired: false },
  { id: 'jory', name: 'Jory', trade: 'paths', roles: [], retired: false },
] as never;
const name = (id: string | null): string => (id === null ? 'nobody' : id);
const stops = [stop('a', 'imke', 480), stop('b', 'imke', 545), stop('c', null, 600)];
const known = { sites: ['site of a', 'site of b'], minutes: [0, 20, 20, 0] };

test('lanes have their stops, their load and what does not fit; nobody is warned of a guess', () => {
  const asked = { day: DAY, people, hours: [], stops };
  const [imke, jory] = lanesOf({ ...asked, way: waysBetween(stops, known) });
  expect(imke?.misfits).toEqual([{ code: 'too far', visit: 'b', from: 'a', takes: 20, has: 5 }]);
  expect(sayLoad(imke?.stops.length ?? 0, imke?.load ?? { work: 0, travel: 0, hours: null })).toBe(
    '2 stops · 2.3 h',
  );
  expect(jory?.stops).toEqual([]);
  const [guessed] = lanesOf({ ...asked, way: waysBetween(stops, undefined) });
  expect(guessed?.misfits).toEqual([]);
  expect(guessed?.load.travel).toBeGreaterThan(0);
});

test('somebody away that day is told with why, and what they have does not fit', () => {
  const hours = [
    { id: 'imke', hours: [], holds: [], absences: [{ from: DAY, to: DAY, why: 'course' }] },
  ];
  const [imke] = lanesOf({ day: DAY, people, hours, stops, way: waysBetween(stops, known) });
  expect(imke?.away).toBe('course');
  expect(imke?.misfits.map((misfit) => sayMisfit(misfit, name))).toContain('away: course');
});

test('a stop that was put elsewhere stands there until the office says so; one on the way can’t move', () => {
  const to = { person: 'jory', day: DAY, start: 700 };
  const [moved] = withPlacings(stops, new Map([['a', to]]));
  expect(moved?.visit).toMatchObject(to);
  expect(withPlacings(stops, new Map())).toBe(stops);
  const set = { events: [{ id: '1', kind: 'set off', at: `${DAY}T08:00:00Z` }] };
  expect([canMove(stop('d', 'imke', 480)), canMove(stop('d', 'imke', 480, set))]).toEqual([
    true,
    false,
  ]);
});

test('the board is narrowed to whoever is meant, or to what', () => {
  const lanes = lanesOf({ day: DAY, people, hours: [], stops, way: waysBetween(stops, known) });
  const found = (words: string, onlyMisfits = false) => {
    const left = narrow(lanes, stops, { words, onlyMisfits }, true);
    return [left.lanes.map(({ person }) => person.id).join(), [...left.faint].join()];
  };
  expect(found('')).toEqual(['imke,jory', '']);
  expect(found('jory')).toEqual(['jory', 'a,b,c']);
  expect(found('cableways')).toEqual(['imke', 'c']);
  expect(found('place b')).toEqual(['imke', 'a,c']);
  expect(found('', true)).toEqual(['imke', '']);
});

test('misfits, placings and spans of days are said in words', () => {
  const say = (misfit: Parameters<typeof sayMisfit>[0]): string => sayMisfit(misfit, name);
  expect(say({ code: 'overlap', visit: 'b', with: 'a', minutes: 20 })).toBe(
    'overlaps with a by 20 min',
  );
  expect(say({ code: 'too far', visit: 'b', from: 'a', takes: 34, has: 1 })).toBe(
    'is too far from a: the way takes 34 min, there is 1 min',
  );
  expect(say({ code: 'promise', visit: 'b', from: 480, to: null })).toBe('promised from 08:00');
  expect(say({ code: 'promise', visit: 'b', from: null, to: 600 })).toBe('promised until 10:00');
  expect(say({ code: 'outside hours', visit: 'b', hours: [] })).toBe('on a day off');
  expect(sayPlacing({ person: null, day: DAY, start: 575 }, name, DAY, DAY)).toBe('nobody, 09:35');
  expect(sayPlacing({ person: 'imke', day: '2031-04-09', start: 0 }, name, DAY, DAY)).toBe(
    'imke, tomorrow 00:00',
  );
  expect([mondayOf(DAY), sayView(DAY, 'week'), sayView(DAY, 'month')]).toEqual([
    ...['2031-04-07', 'Mon 7 Apr to Sun 13 Apr', 'April 2031'],
  ]);
  expect([stepFrom('2031-01-31', 'month', 1), stepFrom(DAY, 'week', -1)]).toEqual([
    ...['2031-02-01', '2031-04-01'],
  ]);
});

describe('steps', () => {
  const sent: { plans: { was: { start: number }; start: number }[] }[] = [];
  let refuses = false;
  const before = globalThis.fetch;
  beforeEach(() => {
    sent.length = 0;
    refuses = false;
    usePlanSteps.setState({ of: null });
    stepsOf('edda');
    globalThis.fetch = ((_path: string, { body }: { body: string }) => {
      sent.push(JSON.parse(body) as (typeof sent)[number]);
      const answer = refuses
        ? { code: 'planned-meanwhile', message: 'This was planned otherwise meanwhile.' }
        : { cards: [] };
      return Promise.resolve({
        ...{ ok: !refuses, status: refuses ? 409 : 200, headers: new Headers() },
        json: () => Promise.resolve(answer),
        text: () => Promise.resolve(JSON.stringify(answer)),
      });
    }) as never;
  });
  afterAll(() => (globalThis.fetch = before));

  const move = (from: number, to: number) => ({
    words: `to ${to}`,
    moves: [
      {
        visit: '0196f000-0000-7000-8000-000000000001',
        from: { person: null, day: DAY, start: from },
        to: { person: null, day: DAY, start: to },
      },
    ],
  });
  const starts = () => sent.map(({ plans }) => plans.map(({ was, start }) => [was.start, start]));

  test('whoever is quick loses nothing: each goes after the one before', async () => {
    await Promise.all([takeStep(move(1, 2)), takeStep(move(2, 3)), undoStep(), redoStep()]);
    expect(starts()).toEqual([[[1, 2]], [[2, 3]], [[3, 2]], [[2, 3]]]);
    expect(usePlanSteps.getState().steps.done.map(({ words }) => words)).toEqual(['to 2', 'to 3']);
  });

  test('a step that somebody planned over is forgotten, with a word; those before it are not', async () => {
    await takeStep(move(1, 2));
    await takeStep(move(2, 3));
    refuses = true;
    await undoStep();
    const { steps, problem, pending } = usePlanSteps.getState();
    expect(steps.done.map(({ words }) => words)).toEqual(['to 2']);
    expect(problem).toContain('otherwise meanwhile');
    expect(pending.size).toBe(0);
  });

  test('what was put elsewhere is shown there until the office’s answer, and somebody else has no steps', async () => {
    await takeStep(move(1, 2));
    expect(usePlanSteps.getState().pending.size).toBe(1);
    answerCame();
    expect(usePlanSteps.getState().pending.size).toBe(0);
    stepsOf('sef');
    expect(usePlanSteps.getState().steps.done).toEqual([]);
    await undoStep();
    expect(sent).toHaveLength(1);
  });
});
