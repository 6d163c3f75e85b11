import {
  FOLLOW_UP_WHEN,
  FOLLOW_UP_WHO,
  type Question,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { z } from 'zod';
import { Demands } from '../accounts/index.ts';
import { AnswerContent } from '../capture/index.ts';
import { Id, Instant, Name, Severity, Words } from '../common/index.ts';

const Expression = z.string().trim().min(1).max(2000);
const Key = z.string().regex(/^[a-z][a-z0-9_]*$/, 'Use small letters, digits and _.');
const Unit = z.string().min(1).max(40);

const WhenAmiss = z
  .object({
    reason: z.boolean().exactOptional(),
    photo: z.boolean().exactOptional(),
    severity: Severity.exactOptional(),
    action: z.string().max(400).exactOptional(),
  })
  .strict();

const Message = z
  .object({ when: Expression, words: Words, tone: z.enum(['note', 'warning']).exactOptional() })
  .strict();
const FindingRule = z
  .object({
    when: Expression,
    severity: Severity,
    words: Words,
    action: z.string().max(400).exactOptional(),
  })
  .strict();
const Check = z.object({ must: Expression, words: Words }).strict();
const Points = z
  .object({
    good: z.number().min(0),
    bad: z.number().min(0).exactOptional(),
    stopsEverything: z.boolean().exactOptional(),
  })
  .strict();

/** The job that follows a sheet once it is approved. */
export const FollowUp = z
  .object({
    days: z.int().min(0, 'Not before it was finished.').max(3_650, 'At most ten years.'),
    title: z.string().trim().max(200),
    template: Id.nullable(),
    when: z.enum(FOLLOW_UP_WHEN),
    person: z.enum(FOLLOW_UP_WHO),
    only: z.object({ question: Key, answer: Key }).strict().exactOptional(),
  })
  .strict();

const base = {
  key: Key,
  label: Name,
  help: z.string().max(1000).exactOptional(),
  required: z.boolean(),
  visibleWhen: Expression.exactOptional(),
  requiredWhen: Expression.exactOptional(),
  reasonWhen: Expression.exactOptional(),
  photoWhen: Expression.exactOptional(),
  messages: z.array(Message).max(50).exactOptional(),
  findings: z.array(FindingRule).max(50).exactOptional(),
  checks: z.array(Check).max(50).exactOptional(),
  suggest: Expression.exactOptional(),
  whenAmiss: WhenAmiss.exactOptional(),
  follows: Key.exactOptional(),
  carries: z.boolean().exactOptional(),
  neverBlank: z.boolean().exactOptional(),
  points: Points.exactOptional(),
};

const Option = z
  .object({
    key: z.string().regex(/^[^~]/, 'The key of an answer can\u2019t begin with ~.').max(80),
    label: Name,
    severity: Severity.exactOptional(),
    points: z.number().min(0).exactOptional(),
    stopsEverything: z.boolean().exactOptional(),
  })
  .strict();
const choosing = {
  options: z.array(Option).min(1).max(200),
  somethingElse: z.boolean().exactOptional(),
};
const Part = z.object({ key: Key, label: Name }).strict();
const Range = z
  .object({ low: z.number().exactOptional(), high: z.number().exactOptional() })
  .strict();
const Decimals = z.int().min(0).max(6);
const quantity = {
  unit: Unit,
  alsoIn: z.array(Unit).max(10).exactOptional(),
  expected: Range.exactOptional(),
  lowFrom: Expression.exactOptional(),
  highFrom: Expression.exactOptional(),
  decimals: Decimals.exactOptional(),
  offScale: z.literal(true).exactOptional(),
  vibrationClass: z.enum(['I', 'II', 'III', 'IV']).exactOptional(),
};
const Longest = z.int().min(1).max(600).exactOptional();

const kind = <Kind extends string, Shape extends z.ZodRawShape>(name: Kind, more: Shape) =>
  z.object({ ...base, kind: z.literal(name), ...more }).strict();

export const TemplateQuestion: z.ZodType<Question> = z.lazy(() =>
  z.discriminatedUnion('kind', [
    kind('yesNo', {}),
    kind('choice', choosing),
    kind('choices', choosing),
    kind('performed', {}),
    kind('acknowledge', {}),
    kind('number', quantity),
    kind('instrument', { ...quantity, instrument: Name }),
    kind('calculated', {
      formula: Expression,
      unit: Unit,
      decimals: Decimals.exactOptional(),
      expected: Range.exactOptional(),
      lowFrom: Expression.exactOptional(),
      highFrom: Expression.exactOptional(),
      target: z.number().exactOptional(),
    }),
    kind('percentage', { expected: Range.exactOptional() }),
    kind('shares', { parts: z.array(Part).min(2).max(30) }),
    kind('text', {}),
    kind('phone', {}),
    kind('email', {}),
    kind('date', {}),
    kind('time', {}),
    kind('moment', {}),
    kind('address', {}),
    kind('code', {}),
    kind('lookup', { catalogue: Key, somethingElse: z.boolean().exactOptional() }),
    kind('photo', {}),
    kind('video', { longest: Longest }),
    kind('voice', { longest: Longest }),
    kind('file', {}),
    kind('signature', { consent: z.string().trim().min(1).max(10_000).exactOptional() }),
    kind('hold', { outside: z.boolean().exactOptional() }),
    kind('sketch', { symbols: z.array(Part).max(26).exactOptional() }),
    kind('rows', {
      each: Name,
      of: Name.exactOptional(),
      questions: z.array(TemplateQuestion).max(200),
      starts: z.array(Name).max(500).exactOptional(),
      fixed: z.boolean().exactOptional(),
      least: z.int().min(0).max(500).exactOptional(),
      most: z.int().min(1).max(1000).exactOptional(),
    }),
  ]),
);

const Score = z
  .object({
    target: z.number().min(0).max(100),
    grades: z
      .array(z.object({ from: z.number().min(0).max(100), word: Name }).strict())
      .max(20)
      .exactOptional(),
    cap: z.number().min(0).max(100).exactOptional(),
  })
  .strict();

const Programme = z
  .object({
    key: Key,
    name: Name,
    required: z.array(Key).max(2000),
    leftOut: z.array(Key).max(2000),
  })
  .strict();

const Variant = z
  .object({
    name: Name,
    answers: z
      .array(
        z
          .object({
            path: z.string().min(1).max(300),
            value: AnswerContent,
            unit: Unit.exactOptional(),
          })
          .strict(),
      )
      .min(1)
      .max(5000),
  })
  .strict();

export const TemplateContent: z.ZodType<TemplateBody> = z
  .object({
    title: Name,
    order: z.enum(['free', 'led']).exactOptional(),
    kit: z.string().max(60).exactOptional(),
    score: Score.exactOptional(),
    programmes: z.array(Programme).max(50).exactOptional(),
    variants: z.array(Variant).max(50).exactOptional(),
    demands: Demands.exactOptional(),
    followUp: FollowUp.exactOptional(),
    signedOnSite: z.boolean().exactOptional(),
    sections: z
      .array(
        z
          .object({
            id: z.string().min(1).max(80),
            title: Name,
            visibleWhen: Expression.exactOptional(),
            questions: z.array(TemplateQuestion).max(2000),
          })
          .strict(),
      )
      .min(1)
      .max(200),
  })
  .strict();

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

/** A version to publish: of a template that exists, or the first of a new one. */
export const Publication = z
  .object({
    template: Id.exactOptional(),
    /** The version the draft was begun from; another one published meanwhile is not overwritten. */
    after: z.int().min(0),
    body: TemplateContent,
  })
  .strict();
export type Publication = z.infer<typeof Publication>;

/** A template that stands ready to be taken over and changed. */
export const StarterTemplate = z.object({
  key: z.string(),
  trade: z.string(),
  title: Name,
  questions: z.int(),
  /** One of this title is there already. */
  there: z.boolean(),
});
export type StarterTemplate = z.infer<typeof StarterTemplate>;
export const StartersAnswer = z.object({ starters: z.array(StarterTemplate) });
