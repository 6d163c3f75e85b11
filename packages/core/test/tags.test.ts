import { mod11_10 } from 'cdigit';
import fc from 'fast-check';
import {
  readTagCode,
  readTagNumber,
  sayTagNumber,
  TAG_DIGITS,
  tagCode,
  tagNumber,
} from '../src/tags/index.ts';

const anyCount = fc.integer({ min: 0, max: 10 ** TAG_DIGITS - 1 });

test('the check digit is that of ISO/IEC 7064, MOD 11,10, as a library of its own has it', () => {
  // The standard's own example is 0794 with 5 (value from memory); the library agrees.
  expect(String(mod11_10.compute('0794'))).toBe('5');
  fc.assert(
    fc.property(anyCount, (count) => {
      const number = tagNumber(count);
      expect(number.at(-1)).toBe(String(mod11_10.compute(number.slice(0, -1))));
      expect(mod11_10.validate(number)).toBe(true);
    }),
  );
});

test('a number reads as itself, however it is grouped', () => {
  fc.assert(
    fc.property(anyCount, (count) => {
      const number = tagNumber(count);
      expect(readTagNumber(number)).toBe(number);
      expect(readTagNumber(` ${sayTagNumber(number)} `)).toBe(number);
      expect(readTagNumber(`${number.slice(0, 4)}–${number.slice(4)}`)).toBe(number);
    }),
  );
});

test('one wrong digit is never taken for another label', () => {
  fc.assert(
    fc.property(
      anyCount,
      fc.integer({ min: 0, max: TAG_DIGITS }),
      fc.integer({ min: 1, max: 9 }),
      (count, at, off) => {
        const digits = [...tagNumber(count)];
        digits[at] = String((Number(digits[at]) + off) % 10);
        expect(readTagNumber(digits.join(''))).toBeNull();
      },
    ),
  );
});

test('what is no number of a label is none', () => {
  for (const typed of ['', '1234567', '123456789', 'abcdefgh', '12 34 56', '１２３４５６７８'])
    expect(readTagNumber(typed)).toBeNull();
  for (const count of [-1, 10 ** TAG_DIGITS, 1.5, Number.NaN])
    expect(() => tagNumber(count)).toThrow(RangeError);
});

test('a code leads to its label, and other codes to none', () => {
  fc.assert(
    fc.property(fc.uuid(), (id) => {
      expect(readTagCode(tagCode(id))).toBe(id.toLowerCase());
      expect(readTagCode(` ${tagCode(id).toUpperCase()}\n`)).toBe(id.toLowerCase());
    }),
  );
  for (const code of ['', 'urn:uuid:', 'https://example.org/1', 'urn:uuid:1234', 'urn:isbn:1'])
    expect(readTagCode(code)).toBeNull();
});
