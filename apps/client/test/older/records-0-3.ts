import { z } from 'zod';

/**
 * What a phone of version 0.3 reads, frozen: it never changes again. Newer servers must not be able to
 * stop such a phone, whatever they add.
 */
const Id = z.uuid();
const Instant = z.iso.datetime({ offset: false });
const Day = z.iso.date();
const MinuteOfDay = z.int().min(0).max(1440);
const Sha256 = z.string().regex(/^[0-9a-f]{64}$/);

const Job = z.object({
  id: Id,
  site: Id,
  template: Id,
  title: z.string().trim().min(1).max(200),
  instructions: z.string(),
  day: Day,
  windowFrom: MinuteOfDay.nullable(),
  windowTo: MinuteOfDay.nullable(),
  recipients: z.array(z.string()),
  state: z.enum([
    'draft',
    'planned',
    'under way',
    'finished',
    'in review',
    'returned',
    'approved',
    'closed',
    'cancelled',
  ]),
  sheet: z.object({ id: Id, job: Id, version: Id }),
});

const VisitEvent = z
  .object({
    id: z.uuidv7(),
    visit: Id,
    kind: z.enum(['set off', 'arrived', 'left']),
    by: Id,
    at: Instant,
    fix: z.object({ lat: z.number(), lon: z.number(), accuracy: z.number().min(0) }).nullable(),
    distance: z.number().min(0).nullable(),
    reason: z.string().max(1000).exactOptional(),
  })
  .strict();

const Visit = z.object({
  id: Id,
  job: Id,
  person: Id.nullable(),
  day: Day,
  start: MinuteOfDay,
  minutes: z.int(),
  events: z.array(VisitEvent),
});

const Entry = z
  .object({
    id: z.uuidv7(),
    sheet: Id,
    path: z.string().min(1).max(300),
    kind: z.enum(['answer', 'clear', 'correct', 'finish', 'return', 'approve']),
    value: z.union([z.string(), z.number(), z.boolean(), z.array(z.string())]).nullable(),
    unit: z.string().max(40).exactOptional(),
    reason: z.string().trim().max(4000).exactOptional(),
    seen: z.array(z.uuidv7()).max(5000),
    by: Id,
    device: Id,
    at: Instant,
    prev: Sha256.nullable(),
  })
  .strict();

/** By kind, as the phone of that version had them. */
export const RECORDS_0_3 = {
  job: Job,
  visit: Visit,
  entry: z.object({ body: Entry, receivedAt: Instant }),
  person: z.object({ id: Id, name: z.string() }),
};
