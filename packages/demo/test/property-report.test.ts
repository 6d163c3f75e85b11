import type { Entry } from '@ant-trail/core/log';
import { answersOf, fold, planSheet, prepareFor, problemsOf } from '@ant-trail/core/sheet';
import { limitsOf, pictureOf, wallsOf } from '@ant-trail/core/trades/property';
import { Chance } from '../src/chance.ts';
import { PROPERTY_REPORT } from '../src/trades/property/report.ts';
import { propertyWalked } from '../src/trades/property/walked.ts';

const { body } = PROPERTY_REPORT;
beforeAll(() => prepareFor(body));

const walked = () =>
  fold(
    planSheet(body),
    propertyWalked(new Chance(5), { reader: 'buyer', address: 'Upper path 1', wettest: 7.6 })
      .filter(({ path }) => !/photo|obstruction/.test(path))
      .map(({ path, value, unit }, index): Entry => ({
        id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
        ...{ sheet: 's', path, kind: 'answer', value, seen: [], by: 'b', device: 'd', prev: null },
        ...(unit === undefined ? {} : { unit }),
        at: '2031-04-05T08:00:00.000Z',
      })),
  );

test('it has no mistake, and what was walked has a wet wall, its limits and when to come again', () => {
  expect(problemsOf(body)).toEqual([]);
  const state = walked();
  const answers = answersOf(state);
  const [wall] = wallsOf(answers);
  expect(wall?.spots).toHaveLength(15);
  expect(wall && pictureOf(wall.material, wall.spots)?.points).toHaveLength(15);
  expect(limitsOf(answers).map(({ label }) => label)).toEqual([
    ...['Too high to reach', 'Things stood in front', 'Locked', 'Covered by linings'],
  ]);
  const result = (name: string) => state.reckoned.find((each) => each.name === name)?.value;
  expect(['toPutRight', 'putRightNow', 'notSeen'].map(result)).toEqual([4, 2, 4]);
  expect(result('wetPlaces')).toBeGreaterThan(0);
  // Something can't wait: half a year.
  expect(answers['again_in']).toBe(6);
  expect(state.looseEnds.map(({ key }) => key)).toEqual([
    ...['s1', 's2', 's4', 's6'].map((area) => `areas/${area}/obstruction`),
    'inspector',
  ]);
});
