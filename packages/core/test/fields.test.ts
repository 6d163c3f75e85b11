import {
  FIELD_KINDS,
  isField,
  problemsWithFacts,
  sayFact,
  type Field,
} from '../src/fields/index.ts';
import { QUESTION_KINDS, rulesOf } from '../src/sheet/index.ts';
import { newQuestion } from '../src/templates/index.ts';
import { EMPTY } from './every-kind.ts';

const FIELDS: readonly Field[] = [
  { kind: 'text', key: 'maker', label: 'Maker', required: false },
  { kind: 'number', key: 'power', label: 'Power', unit: 'kW', alsoIn: ['W'], required: false },
  { kind: 'date', key: 'bought', label: 'Bought', required: false },
];

test('fields are questions that are written or chosen, none that needs a phone in the hand', () => {
  for (const kind of QUESTION_KINDS) {
    const question = newQuestion(kind, EMPTY);
    const writable = rulesOf(question).keeps === 'value' && rulesOf(question).ofOneVisit !== true;
    if (isField(question)) expect(writable).toBe(true);
  }
  expect(QUESTION_KINDS.filter((kind) => isField(newQuestion(kind, EMPTY))).sort()).toEqual(
    [...FIELD_KINDS].sort(),
  );
});

test('facts have to fit their fields, each by itself', () => {
  const fine = { maker: { value: 'Harbour foundry' }, power: { value: 5500, unit: 'W' } };
  expect(problemsWithFacts(FIELDS, fine)).toEqual([]);
  const wrong = {
    maker: { value: '' },
    power: { value: 5.5, unit: 'V' },
    bought: { value: '2031-02-30' },
    colour: { value: 'red' },
  };
  expect(problemsWithFacts(FIELDS, wrong).map(({ field }) => field)).toEqual(Object.keys(wrong));
});

test('a fact is said with its unit, and days as the face writes them', () => {
  const facts = { power: { value: 5.5, unit: 'kW' }, bought: { value: '2031-02-03' } };
  const [maker, power, bought] = FIELDS as [Field, Field, Field];
  expect(sayFact(power, facts)).toBe('5.5 kW');
  expect(sayFact(bought, facts, (day) => `on ${day}`)).toBe('on 2031-02-03');
  expect(sayFact(maker, facts)).toBe('');
  expect(sayFact({ ...maker, key: 'constructor' }, facts)).toBe('');
});
