import type { Entry } from '../src/log/index.ts';
import { revisionOf } from '../src/review/index.ts';

const entry = (index: number, path: string, kind: Entry['kind'] = 'answer'): Entry => ({
  id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
  ...{ sheet: 's', path, kind, value: null, seen: [], by: 'b', device: 'd', prev: null },
  at: '2031-04-05T08:00:00.000Z',
});

test('the first report is no other version, and neither is one that was never approved', () => {
  expect(revisionOf([])).toBeNull();
  expect(revisionOf([entry(1, 'a'), entry(2, '~stage', 'approve')])).toBeNull();
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
  const revision = revisionOf([...entries].reverse());
  expect(revision).toMatchObject({ number: 2, changed: ['b', 'a'] });
  expect(revision?.instead.id).toBe(entries[2]?.id);
  const third = revisionOf([...entries, entry(9, 'c', 'correct'), entry(10, '~stage', 'approve')]);
  expect(third).toMatchObject({ number: 3, changed: ['c'] });
});
