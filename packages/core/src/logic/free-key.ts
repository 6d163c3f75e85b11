import { isLanguageWord } from './words.ts';

/** A key made from words, free in this template: it names the question in expressions. */
export function freeKey(words: string, taken: ReadonlySet<string>): string {
  const plain = words
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[_0-9]+|_+$/g, '')
    .slice(0, 40);
  const stem = plain === '' || isLanguageWord(plain) ? `${plain || 'the'}_question` : plain;
  if (!taken.has(stem)) return stem;
  let number = 2;
  while (taken.has(`${stem}_${number}`)) number++;
  return `${stem}_${number}`;
}
