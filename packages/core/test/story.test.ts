import { rowPath } from '../src/log/index.ts';
import {
  fold,
  OpenSheet,
  planSheet,
  type Question,
  type TemplateBody,
} from '../src/sheet/index.ts';
import { saidOfThings } from '../src/story/index.ts';
import { entryOn } from './support.ts';

const ask = (kind: string, key: string, more: object = {}): Question =>
  ({ kind, key, label: key, required: true, ...more }) as unknown as Question;

const PUMP = '01890000-0000-7000-8000-000000000001';
const SEAL = '01890000-0000-7000-8000-000000000002';
const HOUSE = '01890000-0000-7000-8000-000000000003';

const BODY: TemplateBody = {
  title: 'Pump house',
  sections: [
    {
      id: 's',
      title: 'S',
      questions: [
        ask('yesNo', 'dry', { whenAmiss: { severity: 2 } }),
        ask('rows', 'pumps', {
          each: 'pump',
          of: 'pump',
          required: false,
          questions: [
            ask('number', 'flow', {
              unit: 'L/s',
              alsoIn: ['m3/h'],
              expected: { low: 10 },
              whenAmiss: { severity: 3 },
            }),
            ask('text', 'maker'),
            ask('date', 'bought'),
            ask('rows', 'seals', {
              each: 'seal',
              of: 'seal',
              required: false,
              questions: [ask('text', 'size')],
            }),
            ask('rows', 'bolts', {
              each: 'bolt',
              required: false,
              questions: [ask('yesNo', 'tight', { whenAmiss: { severity: 4 } })],
            }),
          ],
        }),
      ],
    },
  ],
};
const PLAN = planSheet(BODY);

function sheet(...steps: readonly [string, unknown, string?][]): OpenSheet {
  const open = new OpenSheet(PLAN);
  for (const [path, value, unit] of steps) {
    const entry = entryOn(open, path, 'answer', value as never);
    open.add([unit === undefined ? entry : { ...entry, unit }]);
  }
  return open;
}

const pump = rowPath('pumps', PUMP);
const seal = rowPath(`${pump}/seals`, SEAL);
const STEPS: readonly [string, unknown, string?][] = [
  ['dry', 'no'],
  [pump, { order: 1, name: 'Pump 2' }],
  [`${pump}/flow`, 18, 'm3/h'],
  [`${pump}/maker`, 'Harbour foundry'],
  [`${pump}/bought`, '2021-03-14'],
  [seal, { order: 1, name: 'Seal' }],
  [`${seal}/size`, '20 mm'],
  [`${pump}/bolts/b1`, { order: 1, name: 'Bolt 1' }],
  [`${pump}/bolts/b1/tight`, 'no'],
];

test('a thing in a row is told of by what stands in its row alone', () => {
  const said = saidOfThings(sheet(...STEPS).state, null);
  expect(said.map(({ asset }) => asset)).toEqual([PUMP, SEAL]);
  const [first, inner] = said;
  // 18 m³/h are 5 L/s (NIST SP 811: 1 m³ is 1,000 L, 1 h is 3,600 s).
  expect(first?.readings).toMatchObject([
    { key: 'flow', unit: 'L/s', value: 5, expected: { low: 10 } },
  ]);
  expect(first?.facts).toEqual([
    { key: 'maker', label: 'maker', said: 'Harbour foundry', day: false },
  ]);
  expect(first?.worst).toBe(4);
  expect(first?.findings.map(({ severity }) => severity)).toEqual([4, 3]);
  expect(inner).toMatchObject({ answered: 1, asked: 1, facts: [{ said: '20 mm' }], findings: [] });
});

test('a sheet about a thing tells of it as a whole, and still of others in its rows', () => {
  const said = saidOfThings(sheet(...STEPS).state, HOUSE);
  expect(said.map(({ asset }) => asset)).toEqual([HOUSE, PUMP, SEAL]);
  expect(said[0]).toMatchObject({ answered: 1, worst: 2, readings: [] });
});

test('a thing nobody wrote about is in it with nothing answered', () => {
  const open = sheet([pump, { order: 1, name: 'Pump 2' }]);
  expect(saidOfThings(open.state, null)).toMatchObject([{ asset: PUMP, answered: 0 }]);
  expect(saidOfThings(fold(PLAN, []), null)).toEqual([]);
});
