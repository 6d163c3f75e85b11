import type { Job, Visit } from '@ant-trail/contract/planning';
import type { Asset } from '@ant-trail/contract/register';
import type { Site } from '@ant-trail/contract/sites';
import type { TemplateVersion } from '@ant-trail/core/sheet';
import type { KeptEntry, KeptPhoto, LocalStore } from '@/device/local-store.ts';

/** All that the phone has of some visits' jobs, by id; of entries, photos and visits all of one place. */
export interface Known {
  readonly jobs: ReadonlyMap<string, Job>;
  readonly sites: ReadonlyMap<string, Site>;
  /** Templates of the sheets that somebody touched: the others are not looked into. */
  readonly versions: ReadonlyMap<string, TemplateVersion>;
  /** Which templates are here at all. */
  readonly versionsHere: ReadonlySet<string>;
  readonly assets: ReadonlyMap<string, Asset>;
  readonly entries: ReadonlyMap<string, readonly KeptEntry[]>;
  readonly photos: ReadonlyMap<string, readonly KeptPhoto[]>;
  /** Everybody's visits, by job. */
  readonly visits: ReadonlyMap<string, readonly Visit[]>;
}

const once = (ids: readonly (string | null)[]): string[] => [
  ...new Set(ids.filter((id) => id !== null)),
];

const byId = <Item extends { readonly id: string }>(
  found: readonly (Item | undefined)[],
): Map<string, Item> => new Map(found.flatMap((item) => (item ? [[item.id, item] as const] : [])));

function grouped<Item>(
  items: readonly Item[],
  of: (item: Item) => string,
): ReadonlyMap<string, readonly Item[]> {
  const groups = new Map<string, Item[]>();
  for (const item of items) {
    const group = groups.get(of(item));
    if (group) group.push(item);
    else groups.set(of(item), [item]);
  }
  return groups;
}

/**
 * Reads each table once for all of these visits: question by question, the first look at a day costs a
 * slow phone a second. Of jobs that are not wanted nothing more is read.
 */
export async function knownOf(
  store: LocalStore,
  visits: readonly Visit[],
  isWanted: (job: Job) => boolean = () => true,
): Promise<Known> {
  const found = await store.jobs.bulkGet(once(visits.map(({ job }) => job)));
  const jobs = byId(found.filter((job) => job !== undefined && isWanted(job)));
  const sheets = [...jobs.values()].flatMap((job) => job.sheets);
  const ids = sheets.map(({ id }) => id);
  const [sites, versionsHere, assets, entries, photos, all] = await Promise.all([
    store.sites.bulkGet(once([...jobs.values()].map(({ site }) => site))),
    store.templates
      .where('id')
      .anyOf(once(sheets.map(({ version }) => version)))
      .primaryKeys(),
    store.assets.bulkGet(once(sheets.map(({ asset }) => asset))),
    store.entries.where('sheet').anyOf(ids).toArray(),
    store.photos.where('sheet').anyOf(ids).toArray(),
    store.visits
      .where('job')
      .anyOf([...jobs.keys()])
      .toArray(),
  ]);
  const touched = new Set(entries.map(({ sheet }) => sheet));
  const versions = await store.templates.bulkGet(
    once(sheets.filter(({ id }) => touched.has(id)).map(({ version }) => version)),
  );
  return {
    jobs,
    sites: byId(sites),
    versions: byId(versions),
    versionsHere: new Set(versionsHere),
    assets: byId(assets),
    entries: grouped(entries, ({ sheet }) => sheet),
    photos: grouped(photos, ({ sheet }) => sheet),
    visits: grouped(all, ({ job }) => job),
  };
}
