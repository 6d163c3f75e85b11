import {
  LONGEST_CODE,
  LONGEST_NAME,
  LONGEST_TEXT,
  MOST_COLUMNS,
  MOST_ROWS,
  OUR_LISTS,
  type OurList,
} from '@ant-trail/core/catalogues';
import { z } from 'zod';
import { Id, Instant, Name } from '../common/index.ts';

const Key = z
  .string()
  .regex(/^[a-z][a-z0-9_]*$/, 'Use small letters, digits and _.')
  .max(60);

const Column = z.object({ key: Key, label: Name, kind: z.enum(['text', 'number']) }).strict();
const Row = z
  .object({
    code: z.string().trim().min(1).max(LONGEST_CODE),
    label: z.string().trim().min(1).max(LONGEST_NAME),
    fields: z.record(Key, z.union([z.string().max(LONGEST_TEXT), z.number()])),
  })
  .strict();

const content = {
  key: Key,
  name: Name,
  columns: z.array(Column).max(MOST_COLUMNS),
  rows: z.array(Row).max(MOST_ROWS),
};

/** A catalogue as phones keep it. */
export const KeptCatalogue = z.object({
  ...content,
  id: Id,
  /** Rises with every import. */
  number: z.int().min(1),
  importedAt: Instant,
});
export type KeptCatalogue = z.infer<typeof KeptCatalogue>;

/** The whole of a catalogue, taking the place of what was there. */
export const CatalogueImport = z
  .object({
    ...content,
    /** The number of the catalogue this was made from; 0 for a new one. */
    after: z.int().min(0),
  })
  .strict();
export type CatalogueImport = z.infer<typeof CatalogueImport>;

export const CatalogueSummary = KeptCatalogue.omit({ rows: true, columns: true }).extend({
  rows: z.int(),
});
export type CatalogueSummary = z.infer<typeof CatalogueSummary>;

export const CataloguesAnswer = z.object({ catalogues: z.array(CatalogueSummary) });

/** What the office knows anyway, as a question of a sheet at a place looks it up. */
export const OurListOf = z.object({
  list: z.enum(OUR_LISTS.map(({ key }) => key) as [OurList, ...OurList[]]),
  site: Id,
});
export const LookedIn = z.object({
  key: Key,
  name: Name,
  columns: z.array(Column),
  rows: z.array(Row.extend({ code: z.string().max(LONGEST_NAME) })),
});
