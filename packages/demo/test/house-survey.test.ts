import type { AnswerValue, Entry } from '@ant-trail/core/log';
import {
  answersOf,
  asksConsent,
  consentsIn,
  fold,
  planSheet,
  prepareFor,
  problemsOf,
  questionAtPath,
} from '@ant-trail/core/sheet';
import { dangersOf, surveyOf } from '@ant-trail/core/trades/energy';
import { Chance } from '../src/chance.ts';
import { HOUSE_SURVEY } from '../src/trades/energy/house.ts';
import { surveyWalked, type HouseWalk } from '../src/trades/energy/walked.ts';
import type { Given } from '../src/trades/given.ts';

const { body } = HOUSE_SURVEY;
beforeAll(() => prepareFor(body));

const stand = (given: readonly Given[]) =>
  fold(
    planSheet(body),
    given.map(({ path, value, unit }, index): Entry => ({
      id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
      ...{ sheet: 's', path, kind: 'answer', value, seen: [], by: 'b', device: 'd', prev: null },
      ...(unit === undefined ? {} : { unit }),
      at: '2031-04-05T08:00:00.000Z',
    })),
  );

const SIGNED: AnswerValue = { strokes: [], width: 1, height: 1, name: 'Ansa Fell' };
const HOW: HouseWalk = { grant: 'winter', station: 'saddle', fuel: 'oil' };
const walked = (more: readonly Given[] = []) =>
  stand([...surveyWalked(new Chance(4), HOW), { path: 'consent', value: SIGNED }, ...more]);
const result = (state: ReturnType<typeof stand>, name: string) =>
  state.reckoned.find((each) => each.name === name)?.value;

test('it has no mistake', () => {
  expect(problemsOf(body)).toEqual([]);
});

test('the consent is a paper once it is signed, with the words that were signed for', () => {
  expect(asksConsent(body)).toBe(true);
  expect(consentsIn(stand(surveyWalked(new Chance(4), HOW)))).toEqual([]);
  const [consent, ...more] = consentsIn(walked());
  expect(more).toEqual([]);
  expect(consent).toMatchObject({ path: 'consent', signature: { name: 'Ansa Fell' } });
  expect(consent?.words).toContain('run a fan in a doorway');
});

test('a house that was gone through has figures for everything', () => {
  const state = walked();
  const open = state.reckoned.filter(({ value }) => value === null).map(({ name }) => name);
  expect(open).toEqual(['leakAfter']);
  expect(state.looseEnds.map(({ key }) => key)).toEqual(['accepted', 'surveyor']);
  // What the screens and the report draw is what was reckoned.
  const survey = surveyOf(answersOf(state));
  expect(survey?.savings.each.map(({ measure }) => measure.code)).toEqual([
    ...['loft-30', 'wall-cork', 'window-two', 'gaps', 'tank'],
  ]);
  expect(result(state, 'usedBefore')).toBe(survey?.savings.before.total);
  // Basalt and plaster by hand: 0.02 / 0.7 + 0.48 / 1.7 = 0.3109; U = 1 / (0.13 + 0.3109 + 0.04) = 2.0795.
  expect(questionAtPath(state, 'parts/p1/u_now')?.calculated).toBeCloseTo(2.0795, 3);
});

test('what can’t be is said where it was entered', () => {
  const words = (given: readonly Given[], path: string): string => {
    const state = questionAtPath(walked(given), path);
    return [
      ...(state?.looseEnds ?? []).map((end) => end.words),
      ...(state?.messages ?? []).map((message) => message.words),
      state?.alert?.words ?? '',
    ].join(' ');
  };
  const at = (path: string, value: AnswerValue, unit: string): Given => ({ path, value, unit });
  expect(words([at('parts/p1/area', -4, 'm2')], 'parts/p1/area')).toMatch(/above 0: measure/);
  expect(words([at('heat_efficiency', 0, '%')], 'heat_efficiency')).toMatch(/50 to 98 %/);
  expect(words([at('parts/p3/layers/l2/between', 140, '%')], 'parts/p3/layers/l2/between')).toBe(
    'Above the expected 0 to 40 %',
  );
  expect(words([at('pressure_points/p3/flow', 400, 'm3/h')], 'pressure_points/p3/by_line')).toMatch(
    /measure this point again/,
  );
});

// Whatever is wrong with what burns: the fan test is not asked for, and what must not be sealed is not counted.
test.each([
  { path: 'draught', value: 'no' },
  { path: 'gas_leak', value: 'yes' },
  { path: 'monoxide', value: 14, unit: '[ppm]' },
] satisfies Given[])('$path bars the fan test and the sealing, until it is put right', (wrong) => {
  const before = walked();
  const asksForTest = (state: ReturnType<typeof stand>): boolean =>
    questionAtPath(state, 'pressure_points')?.visible ?? false;
  const barred = walked([wrong]);
  expect(dangersOf(answersOf(barred))).toEqual(['combustion']);
  expect(asksForTest(barred)).toBe(false);
  expect(result(barred, 'savedSoFar')).toBeLessThan(Number(result(before, 'savedSoFar')));
  const put = walked([wrong, { path: 'combustion_resolved', value: 'yes' }]);
  expect(asksForTest(put)).toBe(true);
  expect(result(put, 'savedSoFar')).toBe(result(before, 'savedSoFar'));
});
