/** What is dangerous at a place, and until when, where it ends. */
export interface Hazardous {
  readonly hazards: readonly string[];
  /** The last day of some of them, by their words; the others stay. */
  readonly hazardEnds?: readonly { readonly hazard: string; readonly until: string }[] | undefined;
}

/**
 * What is dangerous at a place on a day; a hazard holds on its last day, too. An end that is known for
 * no hazard says nothing, so that a hazard whose words were changed is shown rather than lost.
 */
export function hazardsOn({ hazards, hazardEnds }: Hazardous, day: string): string[] {
  const ends = new Map(hazardEnds?.map(({ hazard, until }) => [hazard, until]));
  return hazards.filter((hazard) => (ends.get(hazard) ?? day) >= day);
}
