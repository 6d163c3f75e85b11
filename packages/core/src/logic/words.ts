/** Names that are always there: what is given, the row before, one's own row, the client's programme. */
export const RESERVED_NAMES = ['given', 'previous', 'row', 'programme'] as const;

/** Words of the language itself, and names of its types: none of them can name an answer. */
const LANGUAGE_WORDS: ReadonlySet<string> = new Set([
  ...RESERVED_NAMES,
  ...['true', 'false', 'null'],
  ...['as', 'break', 'const', 'continue', 'else', 'for', 'function', 'if', 'import', 'in', 'let'],
  ...['loop', 'namespace', 'package', 'return', 'var', 'void', 'while'],
  ...['bool', 'bytes', 'double', 'int', 'list', 'map', 'null_type', 'optional', 'string', 'type'],
  ...['uint', 'cel', 'google', 'prototype', '__proto__'],
]);

/** Whether a name means something in every expression, so that no question can be called so. */
export const isLanguageWord = (name: string): boolean => LANGUAGE_WORDS.has(name);
