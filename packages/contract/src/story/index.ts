import { z } from 'zod';
import { Action } from '../actions/index.ts';
import { Opening } from '../arrival/index.ts';
import { Day, Id, Instant, Severity } from '../common/index.ts';
import { Asset, AssetEvent } from '../register/index.ts';

const Reading = z.object({
  key: z.string(),
  label: z.string(),
  unit: z.string(),
  value: z.number(),
  at: Instant,
  expected: z.object({ low: z.number().optional(), high: z.number().optional() }).nullable(),
});

/** What one sheet says of a thing. */
export const ToldBySheet = z.object({
  sheet: Id,
  template: Id,
  title: z.string(),
  /** When it was finished; where it was not yet, when something was written last. */
  at: Instant,
  day: Day,
  by: Id.nullable(),
  stage: z.string(),
  answered: z.int(),
  asked: z.int(),
  worst: Severity,
  findings: z.array(z.object({ severity: Severity, words: z.string() })),
  readings: z.array(Reading),
  facts: z.array(
    z.object({ key: z.string(), label: z.string(), said: z.string(), day: z.boolean() }),
  ),
  photos: z.array(z.string()),
});
export type ToldBySheet = z.infer<typeof ToldBySheet>;

/** Everything ever recorded on one thing; the newest first. */
export const Story = z.object({
  asset: Asset,
  siteName: z.string(),
  /** The short number of its label. */
  number: z.string().nullable(),
  events: z.array(AssetEvent),
  sheets: z.array(ToldBySheet),
  /** Whether there are older sheets than these. */
  older: z.boolean(),
  actions: z.array(Action),
  /** Who read what only whoever is at its place should know. Offices of before did not tell here. */
  openings: z.array(Opening).default([]),
});
export type Story = z.infer<typeof Story>;
