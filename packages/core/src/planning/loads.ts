/** How much of a measure: “kg”, “boxes”. Its unit is part of what it is called. */
export interface LoadOf {
  readonly what: string;
  readonly much: number;
}

/** Measures are the same however they are written. */
export const measureOf = (what: string): string => what.trim().toLowerCase();

/** How much of a measure things take together. */
export const sumOf = (
  measure: string,
  all: readonly { readonly takes?: readonly LoadOf[] }[],
): number =>
  all
    .flatMap(({ takes = [] }) => takes)
    .filter(({ what }) => measureOf(what) === measure)
    .reduce((sum, { much }) => sum + much, 0);

/** The measures things take any of, each once, in order; by their key, as they are written. */
export const measuresOf = (
  all: readonly { readonly takes?: readonly LoadOf[] }[],
): ReadonlyMap<string, string> =>
  new Map(
    all
      .flatMap(({ takes = [] }) => takes.map(({ what }) => [measureOf(what), what.trim()] as const))
      .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)),
  );

/** How much of a measure a vehicle holds; all of it where nothing is known. */
export const heldOf = (measure: string, holds: readonly LoadOf[] = []): number =>
  holds.find(({ what }) => measureOf(what) === measure)?.much ?? Infinity;

/** What a vehicle holds, as loads are compared with it; nothing is known of no vehicle. */
export const holdsOf = (
  vehicle: { readonly holds: readonly { readonly what: string; readonly most: number }[] } | null,
): LoadOf[] => (vehicle?.holds ?? []).map(({ what, most }) => ({ what, much: most }));
