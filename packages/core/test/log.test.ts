import canonicalize from 'canonicalize';
import {
  chainBreaks,
  entryHash,
  instantOf,
  parsePath,
  sha256Hex,
  timeOrderedId,
  type Entry,
} from '../src/log/index.ts';

const entry = (over: Partial<Entry>): Entry => ({
  id: '017f22e2-79b0-7cc3-98c4-dc0c0c07398f',
  sheet: 's',
  path: 'a',
  kind: 'answer',
  value: 1,
  seen: [],
  by: 'p',
  device: 'd',
  at: '2022-02-22T19:22:22.000Z',
  prev: null,
  ...over,
});

describe('ids', () => {
  // RFC 9562, appendix A.6 (value from memory, confirmed by the uuid package's own reading of it).
  test('the example of RFC 9562 is 2022-02-22T19:22:22Z', () => {
    const at = instantOf('017F22E2-79B0-7CC3-98C4-DC0C0C07398F');
    expect(new Date(at ?? 0).toISOString()).toBe('2022-02-22T19:22:22.000Z');
  });

  test('an id made for an instant gives that instant back, and ids sort by time', () => {
    const random = new Uint8Array(16).fill(7);
    const [early, late] = [1_645_557_742_000, 1_645_557_742_001].map((at) =>
      timeOrderedId(at, random),
    );
    expect(instantOf(early ?? '')).toBe(1_645_557_742_000);
    expect((early ?? '') < (late ?? '')).toBe(true);
  });

  test('any other id has no instant', () => {
    expect(instantOf('f32788d5-ef02-4374-a981-2192a5b246ee')).toBeNull();
    expect(instantOf('nonsense')).toBeNull();
  });
});

describe('hashing', () => {
  // FIPS 180-4, the example "abc".
  test('SHA-256 of "abc"', () => {
    expect(sha256Hex('abc')).toBe(
      'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    );
  });

  // RFC 8785, section 3.2.2 and 3.2.3: numbers in shortest form, keys by UTF-16 code units.
  test('canonical JSON as in RFC 8785', () => {
    expect(canonicalize({ numbers: [333333333.33333329, 1e30, 4.5, 2e-3, 1e-27] })).toBe(
      '{"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27]}',
    );
    expect(canonicalize({ '\u20ac': 1, '\r': 2, '1': 3, '\u0080': 4, '\u00f6': 5 })).toBe(
      '{"\\r":2,"1":3,"\u0080":4,"\u00f6":5,"\u20ac":1}',
    );
  });

  test('an entry’s hash does not depend on the order of its fields', () => {
    const one = entry({});
    const turned = Object.fromEntries(Object.entries(one).reverse()) as unknown as Entry;
    expect(entryHash(turned)).toBe(entryHash(one));
    expect(entryHash(entry({ value: 2 }))).not.toBe(entryHash(one));
  });
});

describe('the chain of a device', () => {
  const first = entry({ id: '017f22e2-79b0-7000-8000-000000000001' });
  const second = entry({ id: '017f22e2-79b0-7000-8000-000000000002', prev: entryHash(first) });
  const third = entry({ id: '017f22e2-79b0-7000-8000-000000000003', prev: entryHash(second) });

  test('a whole log has no break, in any order', () => {
    expect(chainBreaks([third, first, second])).toEqual([]);
  });

  test('a missing entry and an altered one are noticed', () => {
    expect(chainBreaks([first, third])).toEqual([
      { device: 'd', entry: third.id, what: 'missing before' },
    ]);
    expect(chainBreaks([first, { ...second, value: 99 }, third])).toHaveLength(1);
  });

  test('two entries after the same one are noticed', () => {
    const fork = entry({ id: '017f22e2-79b0-7000-8000-000000000009', prev: entryHash(first) });
    expect(chainBreaks([first, second, fork]).map((b) => b.what)).toEqual(['named twice']);
  });
});

test.each([
  ['brake', { scope: '', key: 'brake', aspect: 'answer' }],
  ['brake~reason', { scope: '', key: 'brake', aspect: 'reason' }],
  ['brake~photo~x1', { scope: '', key: 'brake', aspect: 'photo', item: 'x1' }],
  ['boards/r1', { scope: '', key: 'boards', aspect: 'row', item: 'r1' }],
  [
    'boards/r1/way/7/load~file~f',
    { scope: 'boards/r1/way/7/', key: 'load', aspect: 'file', item: 'f' },
  ],
  ['~stage', { scope: '', key: '', aspect: 'stage' }],
  ['~blanks~b1', { scope: '', key: '', aspect: 'blanks', item: 'b1' }],
  ['boards/r1~reason', null],
  ['boards//load', null],
  ['Brake', null],
  ['brake~photo', null],
  ['brake~other', null],
  ['a~photo~b~c', null],
  ['', null],
])('the path %j', (path, expected) => {
  expect(parsePath(path)).toEqual(expected);
});
