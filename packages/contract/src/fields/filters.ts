import { z } from 'zod';
import { Day } from '../common/index.ts';

const Key = z.string().max(80);
const Bound = z.number().nullable();

/** One thing that all that is looked for has in common. */
export const FieldFilter = z.union([
  /** Chosen is this, among others where there are several. */
  z.tuple([Key, z.literal('is'), z.string().max(120)]),
  /** In the words, whatever the case. */
  z.tuple([Key, z.literal('has'), z.string().trim().min(1).max(120)]),
  /** From and to, both included; null for no end. */
  z.tuple([Key, z.literal('from'), Bound, Bound]),
  z.tuple([Key, z.literal('days'), Day.nullable(), Day.nullable()]),
  /** Out of range, or not as it should be. */
  z.tuple([Key, z.literal('bad')]),
]);
export type FieldFilter = z.infer<typeof FieldFilter>;

export const FieldFilters = z.array(FieldFilter).max(8);

/** Filters as they stand in an address, as JSON. */
export const FieldsWhere = z
  .string()
  .max(400)
  .transform((text, context): unknown => {
    try {
      return JSON.parse(text);
    } catch {
      context.addIssue('These filters can’t be read. Choose them anew.');
      return z.NEVER;
    }
  })
  .pipe(FieldFilters);
