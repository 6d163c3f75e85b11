/** A change to a question; a field set to undefined is taken out. */
export type Patch = Readonly<Record<string, unknown>>;
