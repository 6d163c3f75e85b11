import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import { z } from 'zod';
import { Id, Instant, Name, Severity } from '../common/index.ts';

const WhenAmiss = z
  .object({
    reason: z.boolean().exactOptional(),
    photo: z.boolean().exactOptional(),
    severity: Severity.exactOptional(),
    action: z.string().max(400).exactOptional(),
  })
  .strict();

const base = {
  key: z.string().regex(/^[a-z][a-z0-9_]*$/),
  label: Name,
  help: z.string().max(1000).exactOptional(),
  required: z.boolean(),
  visibleWhen: z.string().max(2000).exactOptional(),
  whenAmiss: WhenAmiss.exactOptional(),
};

const Options = z
  .array(
    z.object({
      key: z.string().min(1),
      label: Name,
      severity: Severity.exactOptional(),
    }),
  )
  .min(1);

export const TemplateQuestion: z.ZodType<Question> = z.discriminatedUnion('kind', [
  z.object({ ...base, kind: z.literal('yesNo') }),
  z.object({ ...base, kind: z.literal('choice'), options: Options }),
  z.object({ ...base, kind: z.literal('choices'), options: Options }),
  z.object({
    ...base,
    kind: z.literal('number'),
    unit: z.string().min(1).max(40),
    expected: z
      .object({
        low: z.number().exactOptional(),
        high: z.number().exactOptional(),
      })
      .exactOptional(),
    decimals: z.int().min(0).max(6).exactOptional(),
    vibrationClass: z.enum(['I', 'II', 'III', 'IV']).exactOptional(),
  }),
  z.object({ ...base, kind: z.literal('text') }),
  z.object({ ...base, kind: z.literal('date') }),
  z.object({ ...base, kind: z.literal('photo') }),
  z.object({ ...base, kind: z.literal('signature') }),
  z.object({ ...base, kind: z.literal('acknowledge') }),
]);

export const TemplateContent: z.ZodType<TemplateBody> = z.object({
  title: Name,
  sections: z
    .array(
      z.object({
        id: z.string().min(1).max(80),
        title: Name,
        questions: z.array(TemplateQuestion),
      }),
    )
    .min(1),
});

export const PublishedTemplate = z.object({
  id: Id,
  template: Id,
  number: z.int().min(1),
  publishedAt: Instant,
  body: TemplateContent,
});
export type PublishedTemplate = z.infer<typeof PublishedTemplate>;

export const TemplatesAnswer = z.object({
  templates: z.array(PublishedTemplate),
});
