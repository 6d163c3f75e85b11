import { z } from 'zod';
import { ActionDraft } from '../actions/index.ts';
import { KeptCatalogue } from '../catalogues/index.ts';
import { EarlierAnswers, EntryContent, Series } from '../capture/index.ts';
import { Day, Id, Instant } from '../common/index.ts';
import { Asset } from '../register/index.ts';
import { Job, Visit, VisitEvent } from '../planning/index.ts';
import { Site } from '../sites/index.ts';
import { PublishedTemplate } from '../templates/index.ts';

/** How many operations one push may carry. */
export const PUSH_LIMIT = 500;

export const Operation = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('entry'), body: EntryContent }),
  z.object({ kind: z.literal('visit event'), body: VisitEvent }),
  z.object({ kind: z.literal('action'), body: ActionDraft }),
]);
export type Operation = z.infer<typeof Operation>;

/**
 * Operations are read one by one, so that one the server can't read does not hold up the others:
 * only the envelope is checked at once.
 */
export const Push = z.object({
  operations: z.array(z.looseObject({ kind: z.string() })).max(PUSH_LIMIT),
});

/** The office's word on one operation. A refused one stays on the phone with its reason. */
export const Receipt = z.object({
  id: z.string(),
  outcome: z.enum(['received', 'already had', 'refused']),
  at: Instant,
  reason: z.string().optional(),
});
export type Receipt = z.infer<typeof Receipt>;
export const PushAnswer = z.object({ receipts: z.array(Receipt) });

export const PullQuery = z.object({
  cursor: z.string().max(200).optional(),
  /** The last day the phone already has everything for. */
  through: Day.optional(),
});

export const Colleague = z.object({ id: Id, name: z.string() });
export type Colleague = z.infer<typeof Colleague>;

export const PullAnswer = z.object({
  cursor: z.string(),
  more: z.boolean(),
  through: Day,
  people: z.array(Colleague),
  visits: z.array(Visit),
  jobs: z.array(Job),
  sites: z.array(Site),
  templates: z.array(PublishedTemplate),
  entries: z.array(z.object({ body: EntryContent, receivedAt: Instant })),
  series: z.array(Series),
  earlier: z.array(EarlierAnswers),
  assets: z.array(Asset),
  catalogues: z.array(KeptCatalogue),
  /** Visits that are no longer this person's. */
  gone: z.array(Id),
});
export type PullAnswer = z.infer<typeof PullAnswer>;
