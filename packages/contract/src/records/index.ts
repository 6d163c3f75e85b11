import { z } from 'zod';
import { Day, Id, ListQuery, listOf, Severity } from '../common/index.ts';
import { FieldsWhere } from '../fields/index.ts';
import { MapPoint } from '../maps/index.ts';

export const RECORD_ORDERS = ['day', '-day', 'place', '-place'] as const;
export const RecordsQuery = ListQuery.extend({
  template: Id,
  where: FieldsWhere.optional(),
  site: Id.optional(),
  from: Day.optional(),
  to: Day.optional(),
  /** Only those with a finding at least so bad. */
  worst: z.coerce.number().int().min(1).max(4).optional(),
  /** Keys of questions that a table leaves out, between commas. */
  without: z.string().max(4000).optional(),
  order: z.enum(RECORD_ORDERS).default('-day'),
});
export type RecordsQuery = z.infer<typeof RecordsQuery>;

/** A finished sheet as a line of many. */
export const SheetRecord = z.object({
  id: Id,
  job: Id,
  site: Id,
  siteName: z.string(),
  /** Of the thing it is about; null where it is about the place. */
  thing: z.string().nullable(),
  day: Day,
  /** Who did it. */
  people: z.array(z.string()),
  stage: z.enum(['finished', 'approved']),
  worst: Severity,
  /** What was answered, by the question's key. */
  fields: z.record(z.string(), z.object({ t: z.string(), bad: z.boolean().optional() })),
});
export type SheetRecord = z.infer<typeof SheetRecord>;
export const RecordsAnswer = listOf(SheetRecord);

/** The places of the records that are looked for, with how many there are and how bad the worst is. */
export const RecordPointsAnswer = z.object({
  points: z.array(MapPoint.extend({ count: z.int(), worst: Severity })),
});

/** Templates that finished sheets were made from, those with the most first. */
export const RecordTemplatesAnswer = z.object({
  templates: z.array(z.object({ template: Id, count: z.int() })),
});

/** Sheets whose reports are taken together. */
export const RecordsChosen = z
  .object({ sheets: z.array(Id).min(1).max(20, 'At most 20 reports at once.') })
  .strict();

/** Reports to be sent together. */
export const RecordsMailing = RecordsChosen.extend({
  to: z
    .array(z.email('This is not an e-mail address.').max(200))
    .min(1, 'Write at least one e-mail address.')
    .max(10),
  words: z.string().trim().max(2000),
});
export type RecordsMailing = z.infer<typeof RecordsMailing>;
