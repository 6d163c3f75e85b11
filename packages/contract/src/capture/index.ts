import { ENTRY_KINDS, type AnswerValue, type Entry } from '@ant-trail/core/log';
import { z } from 'zod';
import { Day, Id, Instant, Place, Sha256, TimedId } from '../common/index.ts';

/** How much one entry may name: all that stands in the largest row, or in a whole sheet's blanks. */
export const MOST_NAMED = 50_000;

const Coordinate = z.tuple([z.number(), z.number()]);
const Stroke = z.array(Coordinate).max(4000);
const Strokes = z.array(Stroke).min(1).max(200);
const Label = z.string().trim().min(1).max(200);

const Shape = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('free'), points: Stroke }).strict(),
  z.object({ kind: z.enum(['line', 'arrow']), from: Coordinate, to: Coordinate }).strict(),
  z.object({ kind: z.literal('circle'), at: Coordinate, radius: z.number().min(0) }).strict(),
  z.object({ kind: z.literal('text'), at: Coordinate, words: Label }).strict(),
  z.object({ kind: z.literal('symbol'), at: Coordinate, symbol: Label }).strict(),
]);
const Shapes = z.array(Shape).max(500);

export const PhotoAnswer = z
  .object({
    sha256: Sha256,
    type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
    bytes: z.int().min(1).max(20_000_000),
    width: z.int().min(1).max(20_000),
    height: z.int().min(1).max(20_000),
    takenAt: Instant,
    comment: z.string().max(2000),
    place: Place.exactOptional(),
    marks: Shapes.exactOptional(),
  })
  .strict();

export const FileAnswer = z
  .object({
    sha256: Sha256,
    type: z.string().regex(/^[a-z]+\/[a-z0-9.+-]+$/),
    bytes: z.int().min(1).max(60_000_000),
    name: Label,
    takenAt: Instant,
    comment: z.string().max(2000),
    seconds: z.number().min(0).max(3600).exactOptional(),
  })
  .strict();

export const SignatureAnswer = z.union([
  z.object({ name: Label, strokes: Strokes }).strict(),
  z.object({ name: Label, strokes: z.array(Stroke).max(0), typed: z.literal(true) }).strict(),
]);

export const HoldAnswer = z
  .object({
    verdict: z.enum(['passed', 'refused']),
    name: Label,
    person: z.union([Id, z.literal('')]),
    strokes: z.array(Stroke).max(200),
    note: z.string().max(2000).exactOptional(),
    proof: z.string().max(20).exactOptional(),
  })
  .strict();

/** Everything an answer can hold; each kind of value is told by its own fields. */
export const AnswerContent: z.ZodType<AnswerValue, AnswerValue> = z.union([
  z.string().max(10_000),
  z.number(),
  z.boolean(),
  z.array(z.string().max(200)).max(200),
  PhotoAnswer,
  FileAnswer,
  SignatureAnswer,
  HoldAnswer,
  z
    .object({
      shapes: Shapes,
      height: z.number().min(0.1).max(4),
      under: PhotoAnswer.exactOptional(),
    })
    .strict(),
  z
    .object({
      address: z.string().max(1000),
      latitude: z.number().min(-90).max(90).exactOptional(),
      longitude: z.number().min(-180).max(180).exactOptional(),
      accuracy: z.number().min(0).exactOptional(),
    })
    .strict(),
  z.object({ shares: z.record(z.string().max(80), z.number()) }).strict(),
  z
    .object({
      code: z.string().max(500),
      how: z.enum(['scanned', 'typed']),
      symbology: z.string().max(40).exactOptional(),
    })
    .strict(),
  z
    .object({
      catalogue: Label,
      row: z.string().max(200),
      label: Label,
      fields: z.record(z.string().max(80), z.union([z.string().max(1000), z.number()])),
    })
    .strict(),
  z.object({ reading: z.number(), instrument: Label, serial: Label, takenAt: Instant }).strict(),
  z.object({ offScale: z.enum(['above', 'below']), limit: z.number() }).strict(),
  z.object({ order: z.number(), name: Label }).strict(),
  z.object({ closed: z.array(z.string().max(300)).min(1).max(MOST_NAMED) }).strict(),
  z.object({ covered: z.record(Id, TimedId) }).strict(),
]);

export const EntryContent: z.ZodType<Entry> = z
  .object({
    id: TimedId,
    sheet: Id,
    path: z.string().min(1).max(300),
    kind: z.enum(ENTRY_KINDS),
    value: AnswerContent.nullable(),
    unit: z.string().max(40).exactOptional(),
    reason: z.string().trim().max(4000).exactOptional(),
    seen: z.array(TimedId).max(MOST_NAMED),
    by: Id,
    device: Id,
    at: Instant,
    prev: Sha256.nullable(),
  })
  .strict();

/** A sheet: which job it belongs to and which template version it is filled in under. */
export const SheetRef = z.object({ id: Id, job: Id, version: Id });
export type SheetRef = z.infer<typeof SheetRef>;

/** An entry as the office has it, with when it arrived. */
export const ReceivedEntry = z.object({ body: EntryContent, receivedAt: Instant });
export type ReceivedEntry = z.infer<typeof ReceivedEntry>;

/** Earlier values of one question at one site, oldest first. */
export const Series = z.object({
  site: Id,
  template: Id,
  /** The thing of the register they are of; absent for the site as a whole. */
  asset: Id.exactOptional(),
  key: z.string(),
  points: z.array(z.object({ at: Instant, value: z.number() })),
});
export type Series = z.infer<typeof Series>;

/** What the visit before at a site has to offer, by the path it was answered under. */
export const EarlierAnswers = z.object({
  site: Id,
  template: Id,
  asset: Id.exactOptional(),
  day: Day,
  answers: z.array(
    z.object({
      path: z.string().max(300),
      value: AnswerContent,
      unit: z.string().max(40).exactOptional(),
    }),
  ),
});
export type EarlierAnswers = z.infer<typeof EarlierAnswers>;
