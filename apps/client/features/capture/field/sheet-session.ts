import type { Series } from '@ant-trail/contract/capture';
import type { Job, Visit } from '@ant-trail/contract/planning';
import type { Site } from '@ant-trail/contract/sites';
import type { AnswerValue, Entry, EntryDraft, EntryKind } from '@ant-trail/core/log';
import { photoPath } from '@ant-trail/core/log';
import {
  OpenSheet,
  problemWithEntry,
  type SheetPlan,
  type SheetState,
  type TemplateVersion,
} from '@ant-trail/core/sheet';
import { liveQuery } from 'dexie';
import { createStore, type StoreApi } from 'zustand';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { takePicture } from '@/device/picture.ts';
import { planFor } from '@/features/planning/field/trail.ts';
import { keepEntry } from '@/features/sync/outbox.ts';

export interface SheetContext {
  readonly job: Job;
  readonly visit: Visit;
  readonly site: Site;
  readonly version: TemplateVersion;
  readonly series: ReadonlyMap<string, Series['points']>;
}

export interface Written {
  readonly unit?: string;
  readonly reason?: string;
}

/** A sheet open on the phone: folds what is kept here, and keeps what the person adds. */
export class SheetSession {
  readonly state: StoreApi<SheetState>;
  private readonly open: OpenSheet;
  private readonly plan: SheetPlan;
  private readonly subscription: { unsubscribe: () => void };

  constructor(
    readonly context: SheetContext,
    private readonly store: LocalStore,
    private readonly person: string,
    private readonly changed: () => void,
    entries: readonly Entry[],
  ) {
    this.plan = planFor(context.version);
    this.open = new OpenSheet(this.plan);
    this.state = createStore(() => this.open.add(entries));
    // Entries of other people arrive by sync while the sheet is open.
    this.subscription = liveQuery(() => entriesFor(store, this.sheet)).subscribe((kept) => {
      this.state.setState(this.open.add(kept), true);
    });
  }

  get sheet(): string {
    return this.context.job.sheet.id;
  }

  close(): void {
    this.subscription.unsubscribe();
  }

  /** Keeps an entry. Gives the words for the person when it can't be one, null when it is kept. */
  async write(
    path: string,
    kind: EntryKind,
    value: AnswerValue | null,
    more: Written = {},
  ): Promise<string | null> {
    const draft: EntryDraft = {
      sheet: this.sheet,
      path,
      kind,
      value,
      ...more,
      seen: this.open.headsOf(path),
      by: this.person,
    };
    const problem = problemWithEntry(this.plan, {
      ...draft,
      id: '',
      device: '',
      at: '',
      prev: null,
    });
    if (problem) return problem;
    const entry = await keepEntry(this.store, draft);
    this.state.setState(this.open.add([entry]), true);
    this.changed();
    return null;
  }

  /** Takes a picture into the sheet. Gives the words for the person when it can't. */
  async addPhoto(key: string, file: Blob): Promise<string | null> {
    try {
      const { value, bytes } = await takePicture(file, new Date());
      await this.store.photos.put({
        sha256: value.sha256,
        bytes,
        type: value.type,
        sheet: this.sheet,
        takenAt: value.takenAt,
        receivedAt: null,
        refused: null,
        uploadUrl: null,
      });
      return await this.write(photoPath(key, newId()), 'answer', value);
    } catch (error) {
      return error instanceof Error ? error.message : 'The photo could not be kept.';
    }
  }
}

async function entriesFor(store: LocalStore, sheet: string): Promise<Entry[]> {
  const kept = await store.entries.where('sheet').equals(sheet).toArray();
  return kept.map((entry) => entry.body);
}

/** Opens a sheet from what is kept on the phone; null when it is not here. */
export async function openSession(
  store: LocalStore,
  sheet: string,
  person: string,
  changed: () => void,
): Promise<SheetSession | null> {
  const job = await store.jobs.filter((each) => each.sheet.id === sheet).first();
  const visit = job && (await store.visits.where('job').equals(job.id).first());
  const site = job && (await store.sites.get(job.site));
  const version = job && (await store.templates.get(job.sheet.version));
  if (!job || !visit || !site || !version) return null;
  const series = await store.series
    .where('[site+template]')
    .equals([site.id, version.template])
    .toArray();
  const points = new Map(series.map((each) => [each.key, each.points]));
  return new SheetSession(
    { job, visit, site, version, series: points },
    store,
    person,
    changed,
    await entriesFor(store, sheet),
  );
}
