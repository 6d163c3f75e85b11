import type { ActionDraft } from '@ant-trail/contract/actions';
import type { KeptCatalogue } from '@ant-trail/contract/catalogues';
import type { EarlierAnswers, Series } from '@ant-trail/contract/capture';
import type { Job, Visit } from '@ant-trail/contract/planning';
import type { Asset } from '@ant-trail/contract/register';
import type { Site } from '@ant-trail/contract/sites';
import type { Colleague, Operation } from '@ant-trail/contract/sync';
import type { Entry } from '@ant-trail/core/log';
import type { TemplateVersion } from '@ant-trail/core/sheet';
import Dexie, { type EntityTable } from 'dexie';

/** An entry on this phone; received when the office has said so. */
export interface KeptEntry {
  readonly id: string;
  readonly sheet: string;
  readonly body: Entry;
  readonly receivedAt: string | null;
}

/** Something that waits to be sent. A refused one stays until the person decides. */
export interface Waiting {
  readonly order: number;
  readonly id: string;
  readonly operation: Operation;
  readonly queuedAt: string;
  readonly refused: string | null;
}

export interface KeptPhoto {
  readonly sha256: string;
  readonly bytes: Blob;
  readonly type: string;
  readonly sheet: string;
  readonly takenAt: string;
  readonly receivedAt: string | null;
  readonly refused: string | null;
  /** Where a begun upload goes on. */
  readonly uploadUrl: string | null;
}

/** A record this version of the application can't read; kept as it came, for one that can. */
export interface Aside {
  readonly key: string;
  readonly kind: string;
  readonly id: string;
  readonly body: unknown;
}

interface Note {
  readonly key: string;
  readonly value: string;
}

/** What the visit before offers is kept once for each site and template, under the office's id for it. */
export const earlierId = (site: string, template: string, asset: string | null): string =>
  asset === null ? `${site} ${template}` : `${site} ${template} ${asset}`;

/** All that this phone knows, for one person. Screens read from here and nowhere else. */
export class LocalStore extends Dexie {
  visits!: EntityTable<Visit, 'id'>;
  jobs!: EntityTable<Job, 'id'>;
  sites!: EntityTable<Site, 'id'>;
  templates!: EntityTable<TemplateVersion, 'id'>;
  people!: EntityTable<Colleague, 'id'>;
  entries!: EntityTable<KeptEntry, 'id'>;
  series!: EntityTable<Series & { id: string }, 'id'>;
  actions!: EntityTable<ActionDraft, 'id'>;
  outbox!: EntityTable<Waiting, 'order'>;
  photos!: EntityTable<KeptPhoto, 'sha256'>;
  earlier!: EntityTable<EarlierAnswers & { id: string }, 'id'>;
  assets!: EntityTable<Asset, 'id'>;
  catalogues!: EntityTable<KeptCatalogue, 'id'>;
  aside!: EntityTable<Aside, 'key'>;
  notes!: EntityTable<Note, 'key'>;

  constructor(person: string) {
    super(`ant-trail-${person}`);
    this.version(1).stores({
      visits: 'id, day, job',
      jobs: 'id, site',
      sites: 'id',
      templates: 'id',
      people: 'id',
      entries: 'id, sheet',
      series: 'id, [site+template]',
      actions: 'id, sheet',
      outbox: '++order, id',
      photos: 'sha256, sheet',
      notes: 'key',
    });
    this.version(2).stores({ catalogues: 'id, key', earlier: 'id', assets: 'id, site' });
    this.version(3).stores({ aside: 'key' });
    // A job had one sheet once, and a visit no part.
    this.version(4)
      .stores({})
      .upgrade(async (store) => {
        const titles = new Map<string, string>();
        const versions = await store.table<TemplateVersion>('templates').toArray();
        for (const { id, body } of versions) titles.set(id, body.title);
        await store
          .table<Job>('jobs')
          .toCollection()
          .modify((job) => {
            job.expectedSheets = null;
            job.sheets = [
              {
                ...{ id: job.sheet.id, version: job.sheet.version, template: job.template },
                ...{ title: titles.get(job.sheet.version) ?? job.title, asset: null },
                ...{ person: null, expected: true },
              },
            ];
          });
        await store
          .table<Visit>('visits')
          .toCollection()
          .modify((visit) => {
            visit.part = 'leads';
          });
      });
  }

  async note(key: string): Promise<string | null> {
    return (await this.notes.get(key))?.value ?? null;
  }
}

let open: { person: string; store: LocalStore } | null = null;

/** The store of the person who is signed in; one person never sees another's. */
export function storeFor(person: string): LocalStore {
  if (open?.person !== person) {
    open?.store.close();
    open = { person, store: new LocalStore(person) };
  }
  return open.store;
}
