import fc from 'fast-check';
import { ThingFinder, type ThingWords } from '../src/story/index.ts';

const thing = (id: string, name: string, more: Partial<ThingWords> = {}): ThingWords => ({
  ...{ id, name, kind: 'pump', siteName: 'Upper cistern', number: '' },
  ...more,
});

const FINDER = new ThingFinder([
  thing('a', 'Pump 2'),
  thing('b', 'Cooling pump 1', { siteName: 'Power house' }),
  thing('c', 'Valve', { kind: 'valve', number: '40721863' }),
]);

test.each([
  ['pump', ['a', 'b', 'c'].slice(0, 2)],
  ['PUMP cistern', ['a']],
  ['cistern pump', ['a']],
  ['valve', ['c']],
  ['4072 1863', ['c']],
  ['4072-1863', ['c']],
  ['nowhere', []],
  ['', []],
  ['   ', []],
  // Words of one thing never run on into the next.
  ['cistern\u0000cooling', []],
])('“%s”', (words, ids) => {
  expect(FINDER.find(words, 10).ids).toEqual(ids);
});

test('more than are wanted are counted, those whose name begins so come first', () => {
  const many = new ThingFinder([
    ...Array.from({ length: 30 }, (_, at) => thing(`x${at}`, `A pump ${at}`)),
    thing('y', 'Pump'),
  ]);
  const { ids, total } = many.find('pump', 5);
  expect(total).toBe(31);
  expect(ids).toHaveLength(5);
  expect(ids[0]).toBe('y');
});

test('it finds what asking each thing by itself finds', () => {
  const letters = fc.string({ unit: fc.constantFrom('a', 'b', 'Ä', ' ', '1', 'ß'), maxLength: 6 });
  fc.assert(
    fc.property(
      fc.array(fc.record({ name: letters, kind: letters, siteName: letters, number: letters })),
      letters,
      (things, words) => {
        const lines = things.map((each, at) => ({ id: String(at), ...each }));
        const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
        const plain = lines.filter(({ name, kind, siteName, number }) => {
          const text = `${name}\n${kind}\n${siteName}\n${number}`.toLowerCase();
          return wanted.length > 0 && wanted.every((word) => text.includes(word));
        });
        const { ids, total } = new ThingFinder(lines).find(words, 1000);
        expect([...ids].sort()).toEqual(plain.map(({ id }) => id).sort());
        expect(total).toBe(plain.length);
      },
    ),
  );
});
