import { freeKey } from '../src/logic/index.ts';
import { problemsOf, type TemplateBody } from '../src/sheet/index.ts';
import {
  addSection,
  differences,
  homeOf,
  insertQuestion,
  keysOf,
  moveQuestion,
  newQuestion,
  nudgeQuestion,
  removeQuestion,
} from '../src/templates/index.ts';

const base = (): TemplateBody => {
  let body = addSection(addSection({ title: 'T', sections: [] }));
  const [first] = body.sections;
  for (const label of ['Gap', 'Fit', 'Bolts']) {
    const kind = label === 'Bolts' ? 'rows' : 'number';
    const home = { section: first?.id ?? '' };
    body = insertQuestion(body, home, 99, newQuestion(kind, body, label));
  }
  return insertQuestion(body, { rows: 'bolts' }, 0, newQuestion('number', body, 'Torque'));
};

test('keys are made from words and never taken twice', () => {
  expect(freeKey('Brake 2: temperature', new Set())).toBe('brake_2_temperature');
  expect(freeKey('Gap', new Set(['gap']))).toBe('gap_2');
  expect(freeKey('12 °C?', new Set())).toBe('c');
  expect(freeKey('…', new Set())).toBe('the_question');
  // Words and type names of the expression language would read as something else.
  expect(freeKey('List', new Set())).toBe('list_question');
  expect(freeKey('Previous', new Set())).toBe('previous_question');
});

test('questions are moved within and across sections and rows, and nothing is lost', () => {
  const body = base();
  expect(problemsOf(body)).toEqual([]);
  const inRows = moveQuestion(body, 'gap', { rows: 'bolts' }, 1);
  expect(homeOf(inRows, 'gap')).toEqual({ home: { rows: 'bolts' }, index: 1 });
  expect(keysOf(inRows)).toEqual(new Set(['fit', 'bolts', 'torque', 'gap']));
  const below = nudgeQuestion(body, 'bolts', 1);
  expect(homeOf(below, 'bolts')).toEqual({ home: { section: 'section_2' }, index: 0 });
  expect(homeOf(nudgeQuestion(below, 'bolts', -1), 'bolts')?.home).toEqual({ section: 'section' });
  expect(moveQuestion(body, 'bolts', { rows: 'bolts' }, 0)).toEqual(body);
});

test('what changed from one version to the next is said in sentences', () => {
  const before = base();
  const added = insertQuestion(
    removeQuestion(before, 'fit'),
    { section: 'section_2' },
    0,
    newQuestion('signature', before, 'Signed'),
  );
  expect(differences(before, before)).toEqual([]);
  expect(differences(before, { ...added, order: 'led' })).toEqual([
    'Led step by step now.',
    'New: “Signed”.',
    'No longer asked: “Fit”.',
  ]);
});
