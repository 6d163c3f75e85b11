/** What a sheet or a client takes of whoever does the work, by the names credentials and skills have. */
export interface Demands {
  readonly credentials?: readonly string[];
  readonly skills?: readonly string[];
}

/** Names are compared as people write them: the case, and spaces around, say nothing. */
export const sameName = (one: string): string =>
  one.trim().normalize('NFC').toLocaleLowerCase('en');

const each = (lists: readonly (readonly string[] | undefined)[]): string[] => [
  ...new Map(
    lists.flatMap((list) => list ?? []).map((name) => [sameName(name), name.trim()]),
  ).values(),
];

/** Several demands as one: each name once. */
export const demandsTogether = (
  all: readonly Demands[],
): { readonly credentials: readonly string[]; readonly skills: readonly string[] } => ({
  credentials: each(all.map(({ credentials }) => credentials)),
  skills: each(all.map(({ skills }) => skills)),
});
