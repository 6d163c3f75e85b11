import fc from 'fast-check';
import { answerTable, readCell, writeCell } from '../src/exchange/index.ts';
import type { OffScaleValue } from '../src/log/index.ts';
import {
  judgeReading,
  OpenSheet,
  planSheet,
  problemWithAnswer,
  questionAtPath,
  readReading,
  sayAnswer,
  turnedOffScale,
  writeReading,
  type NumberQuestion,
  type TemplateBody,
} from '../src/sheet/index.ts';
import { judgeOffScale, judgeRange } from '../src/measure/index.ts';
import { entryOn } from './support.ts';

const READ_ONLY: NumberQuestion = {
  kind: 'number',
  key: 'insulation',
  label: 'Insulation',
  required: true,
  unit: 'MOhm',
  decimals: 0,
  expected: { low: 1 },
};
const INSULATION = { ...READ_ONLY, offScale: true } as const;
const over = (limit: number): OffScaleValue => ({ offScale: 'above', limit });
const under = (limit: number): OffScaleValue => ({ offScale: 'below', limit });

describe('a value off the scale of a meter', () => {
  test('is typed with its sign, said with it, and taken only where the question takes it', () => {
    expect(readReading(INSULATION, '>999')).toEqual({ value: over(999) });
    expect(readReading(INSULATION, ' > 999 MΩ', { units: ['MΩ'] })).toEqual({ value: over(999) });
    expect(readReading(INSULATION, '<0,01')).toEqual({ value: under(0.01) });
    expect(readReading(INSULATION, '999')).toEqual({ value: 999 });
    expect(readReading(READ_ONLY, '>999')).toHaveProperty('problem');
    for (const nonsense of ['>', '> <3', '>>9', '> 1,234', '9 >'])
      expect(readReading(INSULATION, nonsense)).toHaveProperty('problem');
    expect(sayAnswer(INSULATION, over(999), 'MOhm')).toBe('> 999 MΩ');
    expect(sayAnswer(INSULATION, under(0.05), 'MOhm')).toBe('< 0.05 MΩ');
    expect(problemWithAnswer(INSULATION, over(999))).toBeNull();
    expect(problemWithAnswer(READ_ONLY, over(999))).toBe('Write a number.');
    expect(problemWithAnswer(INSULATION, { ...over(Number.NaN) })).toBe('Write a number.');
  });

  test('what is written of it can be read again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e9, max: 1e9, noNaN: true }).map((value) => Number(value.toFixed(6))),
        fc.constantFrom('above' as const, 'below' as const),
        (limit, offScale) => {
          const written = writeReading(limit + 0, offScale, 0);
          expect(readReading(INSULATION, written)).toEqual({
            value: { offScale, limit: limit + 0 },
          });
        },
      ),
    );
    expect(turnedOffScale('999')).toBe('> 999');
    expect(turnedOffScale('> 999')).toBe('999');
    expect(readCell(INSULATION, '>999', null)).toEqual({ value: over(999), unit: 'MOhm' });
  });

  test('is as expected only where every value beyond the scale is', () => {
    const words = (value: OffScaleValue, expected: { low?: number; high?: number }) =>
      judgeReading(INSULATION, value.limit, expected, value.offScale)?.words ?? null;
    expect(words(over(999), { low: 1 })).toBeNull();
    // The scale may end where the limit is: what lies beyond is above it.
    expect(words(over(1), { low: 1 })).toBeNull();
    expect(words(over(0.5), { low: 1 })).toMatch(/^May lie below the 1 MΩ expected: measure/);
    expect(words(over(300), { high: 300 })).toBe('Above the 300 MΩ expected at most');
    expect(words(over(200), { high: 300 })).toMatch(/^May lie above the 300 MΩ expected/);
    expect(words(under(0.05), { high: 0.5 })).toBeNull();
    expect(words(under(0.05), { low: 0.05 })).toBe('Below the 0.05 MΩ expected at least');
    expect(words(under(2), { low: 1, high: 5 })).toMatch(/^May lie below the 1 MΩ expected/);
  });

  test('is never called as expected when some value beyond is not, nor surely amiss when one is as expected', () => {
    const end = fc.option(fc.integer({ min: -9, max: 9 }), { nil: undefined });
    fc.assert(
      fc.property(
        ...[fc.integer({ min: -9, max: 9 }), fc.constantFrom('above' as const, 'below' as const)],
        ...[end, end],
        (limit, off, low, high) => {
          if (low !== undefined && high !== undefined && low > high) return;
          const range = {
            ...(low === undefined ? {} : { low }),
            ...(high === undefined ? {} : { high }),
          };
          const { verdict, sure } = judgeOffScale(limit, off, range);
          const step = off === 'above' ? 0.5 : -0.5;
          const beyond = Array.from({ length: 60 }, (__, at) => limit + (at + 1) * step);
          const fine = beyond.filter((value) => judgeRange(value, range) === 'within');
          if (verdict === 'within') expect(fine).toHaveLength(beyond.length);
          else if (sure) expect(fine).toHaveLength(0);
        },
      ),
    );
  });

  test('is computed with as the number next to the end, and stands in tables as it is said', () => {
    const body: TemplateBody = {
      title: 'T',
      sections: [
        {
          id: 's',
          title: 'S',
          questions: [
            INSULATION,
            {
              ...{ kind: 'calculated', key: 'passes', label: 'Passes', required: false },
              ...{ unit: '1', formula: 'insulation > 999.0 ? 1.0 : 0.0' },
            },
          ],
        },
      ],
    };
    const open = new OpenSheet(planSheet(body));
    open.add([{ ...entryOn(open, 'insulation', 'answer', over(999)), unit: 'MOhm' }]);
    const { state } = open;
    expect(questionAtPath(state, 'passes')?.calculated).toBe(1);
    const asked = questionAtPath(state, 'insulation');
    expect(asked && writeCell(asked)).toBe('> 999');
    expect(asked?.looseEnds).toEqual([]);
    const [titles = [], line = []] = answerTable(state, () => 'Ansa Fell');
    expect(line[titles.indexOf('Answer')]).toBe('> 999 MΩ');
    expect(line[titles.indexOf('Value')]).toBe('> 999');
  });
});
