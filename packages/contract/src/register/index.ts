import { CONDITIONS } from '@ant-trail/core/register';
import { z } from 'zod';
import { Id, Instant, ListQuery, listOf, Name, Shape } from '../common/index.ts';
import { FactsContent, FieldList } from '../fields/index.ts';

/** So many areas a thing can belong to besides the one it stands in. */
const MOST_ALSO_IN = 20;

export const Condition = z.enum(CONDITIONS);

/** A thing in the register of a site, or a part of the site. Offices of before knew things in a row. */
export const Asset = z.object({
  id: Id,
  site: Id,
  kind: Name,
  name: Name,
  retired: z.boolean(),
  area: z.boolean().default(false),
  within: Id.nullable().default(null),
  condition: Condition.default('unknown'),
  facts: FactsContent.default({}),
  purposes: z.array(Name).max(20).default([]),
  /** Areas it belongs to besides the one it stands in. Offices of before knew no such thing. */
  alsoIn: z.array(Id).max(MOST_ALSO_IN).default([]),
  /** Where it lies on the map; null where it lies at its place. Offices of before knew no such thing. */
  shape: Shape.nullable().default(null),
});
export type Asset = z.infer<typeof Asset>;

export const AssetsAnswer = z.object({ assets: z.array(Asset) });

/** How many are entered in one go. */
export const MOST_ASSETS_AT_ONCE = 200;

export const AssetDraft = z
  .object({
    kind: Name,
    name: Name,
    area: z.boolean().default(false),
    within: Id.nullable().default(null),
    facts: FactsContent.default({}),
    purposes: z.array(Name).max(20).default([]),
    alsoIn: z.array(Id).max(MOST_ALSO_IN).default([]),
    shape: Shape.nullable().default(null),
  })
  .strict();
export type AssetDraft = z.infer<typeof AssetDraft>;

/** What becomes of a thing; what is left out stays as it is. */
export const AssetChange = z
  .object({
    kind: Name.exactOptional(),
    name: Name.exactOptional(),
    retired: z.boolean().exactOptional(),
    condition: Condition.exactOptional(),
    facts: FactsContent.exactOptional(),
    purposes: z.array(Name).max(20).exactOptional(),
    alsoIn: z.array(Id).max(MOST_ALSO_IN).exactOptional(),
    shape: Shape.nullable().exactOptional(),
    /** Why, where somebody asks later: of a condition, of a move. */
    note: z.string().trim().max(1000).exactOptional(),
  })
  .strict();
export type AssetChange = z.infer<typeof AssetChange>;

/** Where a thing goes, with all that stands in it. */
export const AssetMove = z.object({ site: Id, within: Id.nullable() }).strict();
export type AssetMove = z.infer<typeof AssetMove>;

/** A kind of thing: how it is called, and what is known of each of it. */
export const AssetKind = z.object({ id: Id, name: Name, fields: FieldList });
export type AssetKind = z.infer<typeof AssetKind>;
export const AssetKindDraft = AssetKind.omit({ id: true }).strict();
export type AssetKindDraft = z.infer<typeof AssetKindDraft>;
export const AssetKindsAnswer = z.object({ kinds: z.array(AssetKind) });

/** A thing as lists show it. */
export const AssetLine = Asset.extend({
  siteName: z.string(),
  /** What it stands in, the outermost first. */
  way: z.array(z.string()),
  /** The short number of its label; null where it has none. */
  number: z.string().nullable(),
});
export type AssetLine = z.infer<typeof AssetLine>;

export const ASSET_ORDERS = ['name', '-name', 'kind', '-kind'] as const;
export const AssetsQuery = ListQuery.extend({
  site: Id.optional(),
  kind: z.string().trim().max(200).optional(),
  condition: Condition.optional(),
  labelled: z.enum(['yes', 'no']).optional(),
  retired: z.enum(['no', 'yes']).default('no'),
  order: z.enum(ASSET_ORDERS).default('name'),
});
export type AssetsQuery = z.infer<typeof AssetsQuery>;
export const AssetLinesAnswer = listOf(AssetLine);

/** What was done to a thing in the register. */
export const ASSET_EVENTS = [
  'entered',
  'found',
  'renamed',
  'moved',
  'condition',
  'facts',
  'retired',
  'brought back',
  'label bound',
  'label taken off',
] as const;

export const AssetEvent = z.object({
  id: Id,
  asset: Id,
  kind: z.enum(ASSET_EVENTS),
  at: Instant,
  by: Id.nullable(),
  /** What it was and what it became, in words as they were then. */
  from: z.string(),
  to: z.string(),
  note: z.string(),
});
export type AssetEvent = z.infer<typeof AssetEvent>;

/** A thing that lies on the map by itself. */
export const PlacedShape = z.object({
  id: Id,
  name: Name,
  kind: Name,
  site: Id,
  siteName: z.string(),
  shape: Shape,
});
export type PlacedShape = z.infer<typeof PlacedShape>;
export const ShapesAnswer = z.object({ shapes: z.array(PlacedShape) });
