import { z } from 'zod';
import {
  Day,
  Id,
  Instant,
  ListQuery,
  listOf,
  Name,
  Place,
  TimedId,
  Words,
} from '../common/index.ts';
import { FactsContent, FieldsWhere } from '../fields/index.ts';
import { Contact } from './contact.ts';

export { Client, ClientDraft, ClientsAnswer, ClientsQuery } from './clients.ts';
import { Found } from './found.ts';

export { Contact } from './contact.ts';
export { FoundPlace, SamePlace } from './found.ts';

export const SiteDraft = Place.extend({
  name: Name,
  client: z.string().trim().max(200),
  /** What the client calls it by. Phones and servers of before know no such thing. */
  number: z.string().trim().max(60).default(''),
  address: z.string().trim().max(400),
  access: Words,
  hazards: z.array(z.string().trim().min(1).max(400)).max(12),
  contacts: z.array(Contact).max(12),
  // What is not said stays as it is. Phones and servers of before know nothing of these.
  hazardEnds: z
    .array(z.object({ hazard: z.string().trim().max(400), until: Day }))
    .max(24)
    .exactOptional(),
  /** How far around counts as being there, in metres; null for as far as usual. */
  radius: z
    .number()
    .min(5, 'At least 5 m.')
    .max(20_000, 'At most 20 km.')
    .nullable()
    .exactOptional(),
  /** Whose it is, where that is somebody else than the client. */
  owner: z.string().trim().max(200).exactOptional(),
  /** The branch whose phones have it. */
  branch: Id.exactOptional(),
  /** What is known by the office's own fields. */
  own: FactsContent.exactOptional(),
});
export type SiteDraft = z.infer<typeof SiteDraft>;

export const Site = SiteDraft.extend({
  id: Id,
  /** Nothing more is planned there. Phones and servers of before know no such thing. */
  retired: z.boolean().default(false),
  /** Told from the field, and not looked at yet. Phones and servers of before know no such thing. */
  found: Found.nullable().default(null),
});
export type Site = z.infer<typeof Site>;

export const SITE_ORDERS = ['name', '-name', 'client', '-client'] as const;
export const SitesQuery = ListQuery.extend({
  retired: z.enum(['no', 'yes']).default('no'),
  /** Only those told from the field that nobody has looked at. */
  found: z.literal('yes').optional(),
  where: FieldsWhere.optional(),
  /** Whether words are looked for in names alone, or in addresses and hazards too. */
  within: z.enum(['name', 'all']).default('all'),
  order: z.enum(SITE_ORDERS).default('name'),
});
export const SitesAnswer = listOf(Site);
export const RetireSite = z.object({ retired: z.boolean() }).strict();

export const NoteWords = z
  .string()
  .trim()
  .min(1, 'A word is enough, such as “ring twice”.')
  .max(1000, 'Shorter: at most 1,000 letters.');

/** What whoever comes next should know of a place, besides its facts. */
export const SiteNote = z.object({
  id: TimedId,
  site: Id,
  text: NoteWords,
  by: Id,
  at: Instant,
  /** No longer true: nobody is shown it any more. */
  withdrawn: z.boolean().default(false),
});
export type SiteNote = z.infer<typeof SiteNote>;

export const SiteNoteDraft = z.object({ text: NoteWords }).strict();
export const SiteNotesAnswer = z.object({ notes: z.array(SiteNote) });

/** A note left from a phone, by whoever is at the place. */
export const LeftNote = SiteNote.omit({ withdrawn: true }).strict();
export type LeftNote = z.infer<typeof LeftNote>;
