import { isField, type Facts, type Field } from '@ant-trail/core/fields';
import { z } from 'zod';
import { AnswerContent } from '../capture/index.ts';
import { TemplateQuestion } from '../templates/index.ts';

const Fact = z.object({ value: AnswerContent, unit: z.string().max(40).exactOptional() }).strict();

/** What is known of something, by the keys of its fields. */
export const FactsContent: z.ZodType<Facts> = z
  .record(z.string().max(80), Fact)
  .refine((facts) => Object.keys(facts).length <= MOST_FIELDS, 'Too many facts at once.');

/** How many fields one kind of thing may have. */
export const MOST_FIELDS = 60;

/** A field, as the office defines it: a question that is written or chosen, without rules. */
export const FieldContent: z.ZodType<Field> = TemplateQuestion.refine(
  (question): question is Field => isField(question),
  'Such a question can be asked in a sheet only.',
);

export const FieldList = z
  .array(FieldContent)
  .max(MOST_FIELDS)
  .refine(
    (fields) => new Set(fields.map(({ key }) => key)).size === fields.length,
    'Two fields have the same key.',
  );
