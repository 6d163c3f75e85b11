import { FIELD_HOLDERS, isField, type Facts, type Field } from '@ant-trail/core/fields';
import { z } from 'zod';
import { AnswerContent } from '../capture/index.ts';
import { Id } from '../common/index.ts';
import { TemplateQuestion } from '../templates/index.ts';

export { FieldFilter, FieldFilters, FieldsWhere } from './filters.ts';

const Fact = z.object({ value: AnswerContent, unit: z.string().max(40).exactOptional() }).strict();

/** What is known of something, by the keys of its fields. */
export const FactsContent: z.ZodType<Facts, Facts> = z
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

const FieldHolder = z.enum(FIELD_HOLDERS);

/** Fields the office has defined for all jobs, places or clients. */
export const OwnFieldsDraft = z
  .object({
    fields: FieldList,
    /** Keys of those that reports show; the others are for the office and whoever works there. */
    reported: z.array(z.string().max(80)).max(MOST_FIELDS),
  })
  .strict();
export type OwnFieldsDraft = z.infer<typeof OwnFieldsDraft>;

export const OwnFields = OwnFieldsDraft.extend({ id: Id, holder: FieldHolder }).strip();
export type OwnFields = z.infer<typeof OwnFields>;
export const OwnFieldsAnswer = z.object({ own: z.array(OwnFields) });
export const OneHolder = z.object({ holder: FieldHolder });
