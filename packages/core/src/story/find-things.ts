/** A thing as it is looked for. */
export interface ThingWords {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly siteName: string;
  /** The number of its label; empty where it has none. */
  readonly number: string;
}

export interface FoundThings {
  readonly ids: readonly string[];
  /** How many fit in all. */
  readonly total: number;
}

/** Nobody types it, and no name has it. */
const BETWEEN = '\u0000';

/**
 * Things made ready for being looked for while somebody types: tens of thousands, over and over. All
 * their words stand in one text, which is gone through at once: asking each thing by itself takes
 * many times as long.
 */
export class ThingFinder {
  private readonly ids: readonly string[];
  private readonly text: string;
  /** Where the words of each thing begin in the text; one more at its end. */
  private readonly begins: Uint32Array;

  constructor(things: readonly ThingWords[]) {
    const lines = things
      .map(({ id, name, kind, siteName, number }) => ({
        ...{ id, name: name.toLowerCase() },
        words: `${name}\n${kind}\n${siteName}\n${number}`.toLowerCase().replaceAll(BETWEEN, ' '),
      }))
      .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
    this.ids = lines.map(({ id }) => id);
    this.begins = new Uint32Array(lines.length + 1);
    lines.forEach(({ words }, at) => {
      this.begins[at + 1] = (this.begins[at] ?? 0) + words.length + 1;
    });
    this.text = lines.map(({ words }) => words + BETWEEN).join('');
  }

  get count(): number {
    return this.ids.length;
  }

  /**
   * Ids of things in which all the words occur, those whose name begins with the first word before the
   * others, each by name; and how many there are in all. Without words nothing is found.
   */
  find(text: string, most: number): FoundThings {
    const words = wordsOf(text);
    const [first] = words;
    if (first === undefined) return { ids: [], total: 0 };
    // The longest word is the rarest, as a rule.
    const [rarest = first, ...others] = [...words].sort((a, b) => b.length - a.length);
    const leading: string[] = [];
    const rest: string[] = [];
    let total = 0;
    for (const at of this.linesWith(rarest)) {
      const begin = this.begins[at] ?? 0;
      if (others.length > 0) {
        const line = this.text.slice(begin, this.begins[at + 1]);
        if (!others.every((word) => line.includes(word))) continue;
      }
      total++;
      const found = this.text.startsWith(first, begin) ? leading : rest;
      if (found.length < most) found.push(this.ids[at] ?? '');
    }
    return { ids: [...leading, ...rest].slice(0, most), total };
  }

  private *linesWith(word: string): Generator<number> {
    let at = 0;
    for (
      let found = this.text.indexOf(word);
      found >= 0;
      found = this.text.indexOf(word, this.begins[at])
    ) {
      while ((this.begins[at + 1] ?? Infinity) <= found) at++;
      yield at;
      at++;
    }
  }
}

/** A label's number is found however its digits are grouped. */
const wordsOf = (text: string): string[] => {
  const digits = text.replace(/[\s\p{Pd}]/gu, '');
  return /^\d{5,}$/.test(digits) ? [digits] : text.toLowerCase().split(/\s+/).filter(Boolean);
};
