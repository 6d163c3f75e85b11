import { z } from 'zod';

export { Line, Polygon, Position, Shape } from './shape.ts';

/** Written small, so that one id is one text everywhere. */
export const Id = z.uuid().toLowerCase();
/** An id that tells when it was made, from whoever made it. */
export const TimedId = z.uuidv7().toLowerCase();

const between = (from: string, to: string) => (value: string) => value >= from && value < to;
/** An instant in UTC, within the years any clock or database can be trusted with. */
export const Instant = z.iso
  .datetime({ offset: false })
  .refine(between('1970', '2200'), 'Give a time between 1970 and 2200.');
/** A calendar day at the site, such as "2031-04-05". */
export const Day = z.iso
  .date()
  .refine(between('1900', '2200'), 'Give a day between 1900 and 2200.');
/** A time of day at the site, in minutes since midnight. */
export const MinuteOfDay = z.int().min(0).max(1440);
export const Sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'not a SHA-256 in hex');
export const Name = z.string().trim().min(1, 'Give a name.').max(200);
export const Words = z.string().trim().max(4000);
export const Severity = z.union([
  z.literal(0),
  z.literal(1),
  z.literal(2),
  z.literal(3),
  z.literal(4),
]);
export const Place = z.object({
  lat: z.number().min(-90).max(90),
  lon: z.number().min(-180).max(180),
});

/** How a list is asked for: page by page, narrowed by words that all have to occur. */
export const ListQuery = z.object({
  text: z.string().trim().max(120).optional(),
  cursor: z.string().max(600).optional(),
  most: z.coerce.number().int().min(1).max(200).default(60),
});
export type ListQuery = z.infer<typeof ListQuery>;

/** A page of a list: how to ask for the next one, and with the first one how many there are in all. */
export const listOf = <Row extends z.ZodType>(row: Row) =>
  z.object({
    rows: z.array(row),
    next: z.string().nullable(),
    total: z.int().nullable(),
  });

/** What every refusal of the server looks like: what happened and what to do, in plain words. */
export const Problem = z.object({
  code: z.string(),
  message: z.string(),
  /** For wrong input: the field and what is wrong with it. */
  fields: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof Problem>;
