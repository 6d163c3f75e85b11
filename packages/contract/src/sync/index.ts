import { z } from 'zod';
import { ActionDraft } from '../actions/index.ts';
import { ArrivalOpened, ArrivalSeal } from '../arrival/index.ts';
import { EarlierAnswers, EntryContent, ReceivedEntry, Series } from '../capture/index.ts';
import { KeptCatalogue } from '../catalogues/index.ts';
import { Day, Id, Instant } from '../common/index.ts';
import { OfficeDocument } from '../documents/index.ts';
import { Feedback } from '../feedback/index.ts';
import { OwnFields } from '../fields/index.ts';
import { MapLayer } from '../maps/index.ts';
import { Message, MessageSaid, MessageSeen, OnTheWay, Told } from '../messages/index.ts';
import {
  AddedSheet,
  BegunJob,
  Favourite,
  FavouriteSaid,
  Handover,
  Job,
  LeftOutSheet,
  OwnOrder,
  SignedOnSite,
  Visit,
  VisitEvent,
} from '../planning/index.ts';
import { Asset, AssetKind } from '../register/index.ts';
import { KeptRound } from '../rounds/kept.ts';
import { FoundPlace, LeftNote, Site, SiteNote } from '../sites/index.ts';
import { BoundTag, Tag } from '../tags/index.ts';
import { PublishedTemplate } from '../templates/index.ts';
import { ClockSaid, SiteTimeSaid } from '../timesheet/index.ts';

/** How many operations one push may carry. */
export const PUSH_LIMIT = 500;

/** What can be sent, by kind: each with the content it carries. A kind once given out stays readable. */
export const OPERATIONS = {
  'place found': FoundPlace,
  'job begun': BegunJob,
  'sheet added': AddedSheet,
  'sheet left out': LeftOutSheet,
  'visit event': VisitEvent,
  entry: EntryContent,
  'signed on site': SignedOnSite,
  'on the way': OnTheWay,
  handover: Handover,
  action: ActionDraft,
  'site note': LeftNote,
  'label bound': BoundTag,
  'arrival opened': ArrivalOpened,
  feedback: Feedback,
  clock: ClockSaid,
  'site time': SiteTimeSaid,
  message: MessageSaid,
  'message seen': MessageSeen,
  favourite: FavouriteSaid,
  'own order': OwnOrder,
} as const;
export type OperationKind = keyof typeof OPERATIONS;
export type Operation = {
  [Kind in OperationKind]: { kind: Kind; body: z.infer<(typeof OPERATIONS)[Kind]> };
}[OperationKind];

/**
 * Operations are read one by one, so that one the server can't read does not hold up the others:
 * only the envelope is checked at once.
 */
export const Push = z.object({
  operations: z.array(z.unknown()).max(PUSH_LIMIT),
  /** The sender's own time as it sends; phones of before do not tell it. */
  clock: Instant.optional().catch(undefined),
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

export const Colleague = z.object({
  id: Id,
  name: z.string(),
  /** Works here no more: named where they worked, and given nothing. */
  retired: z.boolean().default(false),
});
export type Colleague = z.infer<typeof Colleague>;

/** What a phone keeps, by kind. A phone that does not know a kind keeps it aside until it does. */
export const RECORDS = {
  person: Colleague,
  site: Site,
  asset: Asset,
  'asset kind': AssetKind,
  tag: Tag,
  'arrival seal': ArrivalSeal,
  catalogue: KeptCatalogue,
  'map layer': MapLayer,
  'own fields': OwnFields,
  document: OfficeDocument,
  template: PublishedTemplate,
  job: Job,
  visit: Visit,
  entry: ReceivedEntry,
  series: Series,
  earlier: EarlierAnswers,
  'site note': SiteNote,
  round: KeptRound,
  told: Told,
  message: Message,
  favourite: Favourite,
} as const;
export type RecordKind = keyof typeof RECORDS;
export type RecordOf<Kind extends RecordKind> = z.infer<(typeof RECORDS)[Kind]>;

/** One record as it is now, or null where it is no longer this person's to have. */
export const RecordChange = z.object({
  kind: z.string(),
  id: z.string(),
  body: z.unknown().nullable(),
});
export type RecordChange = z.infer<typeof RecordChange>;

/** A page of what is new; its records are read one by one, so that one unknown harms no other. */
export const PullAnswer = z.object({
  cursor: z.string(),
  more: z.boolean(),
  through: Day,
  changes: z.array(RecordChange),
  /** At the end of a fill: all the visits this person has. Others on the phone are gone. */
  visits: z.array(Id).nullable(),
  /** The branch whose places these are. Servers of before do not say. */
  branch: Id.optional(),
});
export type PullAnswer = z.infer<typeof PullAnswer>;
