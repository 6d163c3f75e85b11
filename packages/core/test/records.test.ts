import { hazardsOn } from '../src/planning/index.ts';
import { recordedOf, recordFields } from '../src/records/index.ts';
import {
  fold,
  KINDS,
  planSheet,
  QUESTION_KINDS,
  type Question,
  type TemplateBody,
} from '../src/sheet/index.ts';
import { questionOf } from './every-kind.ts';

const base = { required: false } as const;
const body = (...questions: Question[]): TemplateBody => ({
  title: 'T',
  sections: [{ id: 's', title: 'S', questions }],
});

describe('a sheet as a line', () => {
  test('an untouched one says nothing', () => {
    expect(
      recordedOf(fold(planSheet(body({ kind: 'text', key: 'a', label: 'A', ...base })), [])),
    ).toEqual({});
  });

  test('what is calculated counts as what is answered', () => {
    const plan = planSheet(
      body({
        ...{ kind: 'calculated', key: 'sum', label: 'Sum', unit: 'm', formula: '1.0 + 2.0' },
        ...base,
      }),
    );
    expect(recordedOf(fold(plan, []))).toEqual({ sum: { v: 3, t: '3 m' } });
  });
});

test('what a kind is found by, it says itself; evidence and groups are found by nothing', () => {
  const everyKind = QUESTION_KINDS.map((kind) => questionOf(kind));
  const found = recordFields(body(...everyKind)).map(({ key }) => key);
  expect(found).toEqual(
    everyKind.filter(({ kind }) => KINDS[kind].sought !== undefined).map(({ key }) => key),
  );
  expect(KINDS.photo.sought).toBeUndefined();
  expect(KINDS.rows.sought).toBeUndefined();
});

describe('hazards', () => {
  const place = {
    hazards: ['Ice', 'Live rail'],
    hazardEnds: [
      { hazard: 'Ice', until: '2031-04-30' },
      { hazard: 'Rails', until: '2031-01-01' },
    ],
  };

  test('hold on their last day, and no longer', () => {
    expect(hazardsOn(place, '2031-04-30')).toEqual(['Ice', 'Live rail']);
    expect(hazardsOn(place, '2031-05-01')).toEqual(['Live rail']);
  });

  test('with words that were changed are shown rather than lost', () => {
    expect(hazardsOn({ ...place, hazards: ['Ice on the stairs'] }, '2031-06-01')).toEqual([
      'Ice on the stairs',
    ]);
    expect(hazardsOn({ hazards: ['Ice'] }, '2031-06-01')).toEqual(['Ice']);
  });
});
