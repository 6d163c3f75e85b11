import { z } from 'zod';
import { TemplateContent } from './index.ts';

/** The format of a template as a file, for people who make or read such files with other tools. */
export const templateSchema = (): object => ({
  ...z.toJSONSchema(TemplateContent, { target: 'draft-2020-12', io: 'input', reused: 'ref' }),
  $id: 'template.schema.json',
  title: 'A template of Ant Trail',
  description:
    'What a job sheet is made from. Expressions are CEL (Common Expression Language) over the keys of questions; units are UCUM codes. Beyond this schema, publishing also checks the expressions and that keys are used once.',
});
