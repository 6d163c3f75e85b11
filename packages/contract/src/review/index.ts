import { ODDITIES } from '@ant-trail/core/log';
import { STAGES } from '@ant-trail/core/sheet';
import { z } from 'zod';
import { Action } from '../actions/index.ts';
import { EntryContent, Series, SheetRef } from '../capture/index.ts';
import { Id, Instant, ListQuery, listOf, Severity } from '../common/index.ts';
import { Job, Visit } from '../planning/index.ts';
import { DocumentThen } from '../documents/index.ts';
import { Site } from '../sites/index.ts';
import { PublishedTemplate } from '../templates/index.ts';

export const Finding = z.object({
  key: z.string(),
  severity: Severity,
  words: z.string(),
  proposedAction: z.string().exactOptional(),
});

export const Summary = z.object({
  stage: z.enum(STAGES),
  answered: z.number(),
  asked: z.number(),
  looseEnds: z.number(),
  alerts: z.number(),
  disagreements: z.number(),
  editedAfterFinish: z.number(),
  worst: Severity,
  findings: z.array(Finding),
  score: z
    .object({
      reached: z.number(),
      possible: z.number(),
      percent: z.number().nullable(),
      grade: z.string().nullable(),
      capped: z.boolean(),
    })
    .nullable(),
  finishedAt: Instant.nullable(),
  photos: z.array(z.string()),
});

export const QueueItem = z.object({
  sheet: Id,
  job: Job,
  siteName: z.string(),
  person: Id.nullable(),
  summary: Summary,
  finishedAt: Instant.nullable(),
});
export type QueueItem = z.infer<typeof QueueItem>;
export const QueueAnswer = listOf(QueueItem);

/** Jobs whose sheets are approved in one step, as far as all is as it should be in them. */
export const ApproveTogether = z
  .object({ jobs: z.array(Id).min(1, 'Choose at least one job.').max(200, 'At most 200 jobs.') })
  .strict();
export const ApprovedTogether = z.object({
  approved: z.int(),
  /** Those that stay where they are, and why. */
  left: z.array(z.object({ sheet: Id, title: z.string(), siteName: z.string(), why: z.string() })),
  /** How many more are finished than are passed in one step. */
  more: z.int(),
});
export type ApprovedTogether = z.infer<typeof ApprovedTogether>;

/** What needs eyes most first, or what has waited longest. */
export const QUEUE_ORDERS = ['eyes', 'waiting'] as const;
export const QueueQuery = ListQuery.extend({
  /** What this person is to read, and what nobody is named for. */
  reader: Id.optional(),
  site: Id.optional(),
  template: Id.optional(),
  order: z.enum(QUEUE_ORDERS).default('eyes'),
});
export type QueueQuery = z.infer<typeof QueueQuery>;

/** Everything the reading desk lays out for one sheet. */
export const Dossier = z.object({
  sheet: SheetRef,
  job: Job,
  visit: Visit,
  site: Site,
  version: PublishedTemplate,
  entries: z.array(EntryContent),
  series: z.array(Series),
  actions: z.array(Action),
  /** Documents that counted when it was finished, or count now. */
  documents: z.array(DocumentThen),
  /** When each entry and photo was received, by id and by SHA-256. */
  receivedAt: z.record(z.string(), Instant),
  /** What was odd about entries as they arrived, by id. */
  odd: z.record(z.string(), z.array(z.enum(ODDITIES))),
  /** Why the office could not compute the sheet; null when it could. */
  trouble: z.string().nullable(),
});
export type Dossier = z.infer<typeof Dossier>;
