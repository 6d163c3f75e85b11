import { ENTRY_KINDS, type Entry } from '@ant-trail/core/log';
import { z } from 'zod';
import { Id, Instant, Sha256 } from '../common/index.ts';

export const PhotoAnswer = z.object({
  sha256: Sha256,
  type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  bytes: z.int().min(1).max(20_000_000),
  width: z.int().min(1).max(20_000),
  height: z.int().min(1).max(20_000),
  takenAt: Instant,
  comment: z.string().max(2000),
});

export const SignatureAnswer = z.object({
  name: z.string().trim().min(1).max(200),
  strokes: z
    .array(z.array(z.tuple([z.number(), z.number()])).max(4000))
    .min(1)
    .max(200),
});

export const AnswerContent = z.union([
  z.string().max(10_000),
  z.number(),
  z.boolean(),
  z.array(z.string().max(200)).max(200),
  PhotoAnswer,
  SignatureAnswer,
]);

export const EntryContent: z.ZodType<Entry> = z
  .object({
    id: z.uuidv7(),
    sheet: Id,
    path: z.string().min(1).max(300),
    kind: z.enum(ENTRY_KINDS),
    value: AnswerContent.nullable(),
    unit: z.string().max(40).exactOptional(),
    reason: z.string().trim().max(4000).exactOptional(),
    seen: z.array(z.uuidv7()).max(500),
    by: Id,
    device: Id,
    at: Instant,
    prev: Sha256.nullable(),
  })
  .strict();

/** A sheet: which job it belongs to and which template version it is filled in under. */
export const SheetRef = z.object({ id: Id, job: Id, version: Id });
export type SheetRef = z.infer<typeof SheetRef>;

/** Earlier values of one question at one site, oldest first. */
export const Series = z.object({
  site: Id,
  template: Id,
  key: z.string(),
  points: z.array(z.object({ at: Instant, value: z.number() })),
});
export type Series = z.infer<typeof Series>;
