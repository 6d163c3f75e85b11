import type { CatalogueRow } from './catalogue.ts';

const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replaceAll(/\p{Diacritic}/gu, '')
    .toLowerCase();

/** Finds rows by what is typed; best first, at most `limit` of them. */
export type FindRows = (typed: string, limit: number) => readonly CatalogueRow[];

/**
 * Prepares a catalogue for looking up. Every word typed must begin a word of the row's code, name
 * or fields, marks over letters and capitals aside; rows whose code or name begins with what was
 * typed come first, then those where all words stand in the name, then the rest in the order of
 * the catalogue. Nothing typed finds the first rows.
 */
export function rowFinder(rows: readonly CatalogueRow[]): FindRows {
  const known = rows.map((row) => {
    const code = plain(row.code);
    const label = plain(row.label);
    const name = ` ${code} ${label}`.replaceAll(/[^\p{L}\p{N}]+/gu, ' ');
    const all = `${name} ${plain(Object.values(row.fields).join(' '))}`;
    return { row, code, label, name, all: all.replaceAll(/[^\p{L}\p{N}.]+/gu, ' ') };
  });
  return (typed, limit) => {
    const wanted = plain(typed).trim();
    if (wanted === '') return rows.slice(0, limit);
    const words = wanted.split(/[^\p{L}\p{N}.]+/u).filter((word) => word !== '');
    if (words.length === 0) return [];
    const ranks: CatalogueRow[][] = [[], [], [], []];
    for (const { row, code, label, name, all } of known) {
      if (!words.every((word) => all.includes(` ${word}`))) continue;
      const rank =
        code === wanted
          ? 0
          : code.startsWith(wanted) || label.startsWith(wanted)
            ? 1
            : words.every((word) => name.includes(` ${word}`))
              ? 2
              : 3;
      ranks[rank]?.push(row);
    }
    return ranks.flat().slice(0, limit);
  };
}
