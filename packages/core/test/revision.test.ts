import type { Entry } from '../src/log/index.ts';
import { revisionOf } from '../src/review/index.ts';

const entry = (index: number, path: string, kind: Entry['kind'] = 'answer'): Entry => ({
  id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
  ...{ sheet: 's', path, kind, value: null, seen: [], by: 'b', device: 'd', prev: null },
  at: '2031-04-05T08:00:00.000Z',
});

test('the first report is no other version, and neither is one that was never approved', () => {
  expect(revisionOf([], new Set())).toBeNull();
  const once = [entry(1, 'a'), entry(2, '~stage', 'approve')];
  expect(revisionOf(once, new Set([once[1]?.id ?? '']))).toBeNull();
});

test('the second says which it replaces and what changed since, each once', () => {
  const entries = [
    entry(1, 'a'),
    entry(2, '~stage', 'finish'),
    entry(3, '~stage', 'approve'),
    entry(4, 'b', 'correct'),
    entry(5, '~stage', 'return'),
    entry(6, 'a'),
    entry(7, 'b'),
    entry(8, '~stage', 'approve'),
  ];
  const [first, second] = [entries[2]?.id ?? '', entries[7]?.id ?? ''];
  const revision = revisionOf([...entries].reverse(), new Set([first]));
  expect(revision).toMatchObject({ number: 2, changed: ['b', 'a'] });
  expect(revision?.instead.id).toBe(first);
  const more = [...entries, entry(9, 'c', 'correct'), entry(10, '~stage', 'approve')];
  const third = revisionOf(more, new Set([first, second]));
  expect(third).toMatchObject({ number: 3, changed: ['c'] });
});

test('an approval that was taken back before its report went out is no version', () => {
  const entries = [
    entry(1, 'a'),
    entry(2, '~stage', 'approve'),
    entry(3, '~stage', 'return'),
    entry(4, 'a'),
    entry(5, '~stage', 'approve'),
  ];
  expect(revisionOf(entries, new Set())).toBeNull();
});
