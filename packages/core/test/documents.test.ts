import fc from 'fast-check';
import {
  filesToKeep,
  isAbout,
  LARGEST_KEPT,
  MOST_KEPT,
  type NeededFile,
} from '../src/documents/index.ts';

const NOWHERE = { site: new Set<string>(), asset: new Set<string>(), kind: new Set<string>() };

test('a document is about what it is attached to, and not about another of the same id', () => {
  const about = { ...NOWHERE, template: new Set<string>(), site: new Set(['a']) };
  expect(isAbout([{ to: 'site', ref: 'a' }], about)).toBe(true);
  expect(isAbout([{ to: 'asset', ref: 'a' }], about)).toBe(false);
  expect(isAbout([], about)).toBe(false);
});

test('what is needed soonest comes first; what was asked for by hand before all', () => {
  const files: NeededFile[] = [
    { sha256: 'later', bytes: 5, day: '2031-02-02' },
    { sha256: 'sooner', bytes: 9, day: '2031-02-01' },
    { sha256: 'wanted', bytes: LARGEST_KEPT + 1, day: null },
    { sha256: 'too large', bytes: LARGEST_KEPT + 1, day: '2031-02-01' },
  ];
  expect(filesToKeep(files).map(({ sha256 }) => sha256)).toEqual(['wanted', 'sooner', 'later']);
});

const anyFile: fc.Arbitrary<NeededFile> = fc.record({
  sha256: fc.constantFrom(...'abcdefghij'),
  bytes: fc.integer({ min: 1, max: LARGEST_KEPT * 2 }),
  day: fc.option(fc.constantFrom('2031-02-01', '2031-02-02', '2031-02-03'), { nil: null }),
});

test('they never take more room by themselves than they may, and each comes once', () => {
  fc.assert(
    fc.property(fc.array(anyFile, { maxLength: 30 }), (files) => {
      const kept = filesToKeep(files);
      expect(new Set(kept.map(({ sha256 }) => sha256)).size).toBe(kept.length);
      const byThemselves = kept.filter(({ day }) => day !== null);
      const taken = byThemselves.reduce((sum, { bytes }) => sum + bytes, 0);
      expect(taken).toBeLessThanOrEqual(MOST_KEPT);
      for (const { sha256, day } of files)
        if (day === null) expect(kept.some((each) => each.sha256 === sha256)).toBe(true);
    }),
  );
});
