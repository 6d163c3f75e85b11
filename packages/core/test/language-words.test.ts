import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { Environment } from '@marcbachmann/cel-js';
import { freeKey, isLanguageWord, RESERVED_NAMES } from '../src/logic/index.ts';

/** Whether the language’s own reader takes a name for that of a variable. */
function isVariable(name: string): boolean {
  try {
    const checked = new Environment().registerVariable(name, 'double').parse(name).check();
    return checked.valid && checked.type !== 'type';
  } catch {
    return false;
  }
}

/** Every name that stands in the language’s own program: whatever means something to it is among them. */
function namesInItsProgram(): string[] {
  const require = createRequire(import.meta.url);
  const place = path.dirname(require.resolve('@marcbachmann/cel-js'));
  const files = readdirSync(place).filter((name) => /\.(c?js|mjs)$/.test(name));
  expect(files.length).toBeGreaterThan(0);
  const names = files.flatMap(
    (name) => readFileSync(path.join(place, name), 'utf8').match(/[a-zA-Z_][a-zA-Z0-9_]*/g) ?? [],
  );
  return [...new Set(names)];
}

test('the words of the language are known without its program, and no other is refused', () => {
  const names = namesInItsProgram();
  expect(names.length).toBeGreaterThan(500);
  // What is true, false or nothing already reads as a value, and is no name either.
  const others = names.filter(
    (name) => !['true', 'false', 'null', ...RESERVED_NAMES].includes(name),
  );
  expect(others.filter((name) => isLanguageWord(name) === isVariable(name))).toEqual([]);
  for (const name of ['true', 'false', 'null', ...RESERVED_NAMES])
    expect(isLanguageWord(name)).toBe(true);
});

test('a key made from such a word is another', () => {
  expect(freeKey('Loop', new Set())).toBe('loop_question');
  expect(freeKey('True', new Set())).toBe('true_question');
  expect(freeKey('Earth loop', new Set())).toBe('earth_loop');
});
