/** What the office may define fields of its own for; kinds of thing have theirs in the register. */
export const FIELD_HOLDERS = ['job', 'place', 'client'] as const;
export type FieldHolder = (typeof FIELD_HOLDERS)[number];
