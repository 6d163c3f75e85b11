/** Where readings are to be taken: a name, and metres from the left end of the wall and from the floor. */
export interface Place {
  readonly name: string;
  readonly across: number;
  readonly up: number;
}

/** Most readings on one wall. */
export const MOST_SPOTS = 200;

/** Readings in a grid, from the floor up and from left to right; the words where that can't be. */
export function layOut(
  columns: number,
  lines: number,
  apart: number,
): { readonly places: readonly Place[] } | { readonly problem: string } {
  if (![columns, lines].every((many) => Number.isInteger(many) && many > 0))
    return { problem: 'Say how many there are across and up: 1 or more.' };
  if (columns * lines > MOST_SPOTS)
    return {
      problem: `${columns * lines} readings are more than a wall takes: ${MOST_SPOTS} at most.`,
    };
  if (!(apart > 0 && apart <= 10))
    return { problem: 'Say how far apart they are: more than 0, and 10 m at most.' };
  const metres = (steps: number): number => Math.round((steps + 0.5) * apart * 100) / 100;
  const places = Array.from({ length: columns * lines }, (_, at): Place => {
    const [column, line] = [at % columns, Math.floor(at / columns)];
    return {
      name: `${column + 1} across, ${line + 1} up`,
      ...{ across: metres(column), up: metres(line) },
    };
  });
  return { places };
}
