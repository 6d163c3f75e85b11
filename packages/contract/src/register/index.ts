import { z } from 'zod';
import { Id, Name } from '../common/index.ts';

/** A thing in the register of a site. */
export const Asset = z.object({
  id: Id,
  site: Id,
  kind: Name,
  name: Name,
  retired: z.boolean(),
});
export type Asset = z.infer<typeof Asset>;

export const AssetsAnswer = z.object({ assets: z.array(Asset) });

export const AssetDraft = Asset.pick({ kind: true, name: true }).strict();
export type AssetDraft = z.infer<typeof AssetDraft>;
export const AssetChange = Asset.pick({ kind: true, name: true, retired: true }).strict();
export type AssetChange = z.infer<typeof AssetChange>;
