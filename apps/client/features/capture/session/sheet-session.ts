import type { Series } from '@ant-trail/contract/capture';
import type { Job, JobSheet, Visit } from '@ant-trail/contract/planning';
import type { Site } from '@ant-trail/contract/sites';
import {
  type AnswerValue,
  type CoverValue,
  type Entry,
  type EntryKind,
  type PhotoValue,
  blanksPath,
  filePath,
  photoPath,
} from '@ant-trail/core/log';
import { visitsInOrder } from '@ant-trail/core/planning';
import {
  byPath,
  everyQuestion,
  OpenSheet,
  problemWithEntry,
  type LastAnswer,
  type LastAnswers,
  type Photo,
  type SheetPlan,
  type SheetState,
  type TemplateVersion,
  prepareFor,
} from '@ant-trail/core/sheet';
import { liveQuery } from 'dexie';
import { createStore, type StoreApi } from 'zustand';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { takeFile, takePicture } from '@/device/picture.ts';
import { planFor } from '@/features/planning/field/plan-for.ts';
import { holdInHand, keepInHand, putDown } from '@/features/sync/in-hand.ts';
import { entryFrom, keepEntries } from '@/features/sync/outbox.ts';
import { earlierId } from './earlier-id.ts';

export interface SheetContext {
  readonly job: Job;
  /** This sheet among those of the job. */
  readonly own: JobSheet;
  /** What the thing is called that it is about; null for the whole job. */
  readonly thing: string | null;
  /** The person's own visit. */
  readonly visit: Visit;
  readonly site: Site;
  readonly version: TemplateVersion;
  readonly series: ReadonlyMap<string, Series['points']>;
  /** What the visit before has to offer; null when there was none. */
  readonly earlier: { readonly day: string; readonly answers: LastAnswers } | null;
}

export interface Written {
  readonly unit?: string;
  readonly reason?: string;
}

/** One thing said about one path. */
export interface Change extends Written {
  readonly path: string;
  readonly kind: EntryKind;
  readonly value: AnswerValue | null;
}

const NOT_KEPT =
  'This phone could not keep what you said last; its storage may be full. Free some space, then say it again.';

export interface Pressed {
  readonly path: string | null;
  /** By the Enter key of a keyboard; else by a press on the answer. */
  readonly entered: boolean;
}

/** A sheet open on the phone: folds what is kept here, and keeps what the person adds. */
export class SheetSession {
  readonly state: StoreApi<SheetState>;
  /** The question that is to be shown next, wherever it stands. */
  readonly sought: StoreApi<{ readonly path: string | null }> = createStore(() => ({ path: null }));
  /** The question that was answered in one go last: what comes next may follow by itself. */
  readonly pressed: StoreApi<Pressed> = createStore(() => ({ path: null, entered: false }));
  /** Why the last thing said is not kept; null when it is. */
  readonly trouble: StoreApi<{ readonly words: string | null }> = createStore(() => ({
    words: null,
  }));
  private open: OpenSheet;
  private readonly plan: SheetPlan;
  /** Every entry the state is made from: what is kept, and what is in line to be. */
  private readonly folded = new Map<string, Entry>();
  private line: Promise<unknown> = Promise.resolve();
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
    for (const entry of entries) this.folded.set(entry.id, entry);
    this.state = createStore(() => this.open.add(entries));
    // Entries of other people arrive by sync while the sheet is open; own ones are folded already,
    // and reading all of them again after each answer would make a long sheet slow.
    this.subscription = liveQuery(() => idsFor(store, this.sheet)).subscribe((ids) => {
      const unknown = ids.filter((id) => !this.folded.has(id));
      if (unknown.length > 0) void this.line.then(() => this.takeIn(unknown));
    });
  }

  get sheet(): string {
    return this.context.own.id;
  }

  /** What whoever types had before them as they began, by path. */
  private readonly typing = new Map<string, readonly string[]>();

  /** What an entry on this path made now has seen. */
  headsOf(path: string): readonly string[] {
    return this.typing.get(path) ?? this.open.headsOf(path);
  }

  /** Somebody begins to type: what others say from now on they have not seen. */
  beginTyping(path: string): void {
    if (!this.typing.has(path)) this.typing.set(path, this.open.headsOf(path));
  }

  endTyping(path: string): void {
    this.typing.delete(path);
  }

  /** What a finish made now has before it. */
  get cover(): CoverValue {
    return this.open.cover;
  }

  close(): void {
    this.subscription.unsubscribe();
  }

  /** Keeps an entry. Gives the words for the person when it can't be one, null when it is kept. */
  write(
    path: string,
    kind: EntryKind,
    value: AnswerValue | null,
    more: Written = {},
  ): Promise<string | null> {
    return this.writeAll([{ path, kind, value, ...more }]);
  }

  /**
   * Keeps several entries in one go: all of them, or none and the words for the person. What was
   * said shows at once, and is taken back with words should the phone fail to keep it.
   */
  async writeAll(changes: readonly Change[]): Promise<string | null> {
    const entries = changes.map((change) =>
      entryFrom({
        ...change,
        sheet: this.sheet,
        seen: this.headsOf(change.path),
        by: this.person,
      }),
    );
    for (const entry of entries) {
      const problem = problemWithEntry(this.plan, entry);
      if (problem) return problem;
    }
    holdInHand(this.store, entries);
    this.fold(entries);
    // Typed on, the next answer follows this one.
    for (const { path, id } of entries) if (this.typing.has(path)) this.typing.set(path, [id]);
    // One after the other, so that the chain of this phone's entries follows what was said.
    const kept = this.line.then(() => this.keep(entries));
    this.line = kept;
    return kept;
  }

  private async keep(entries: readonly Entry[]): Promise<string | null> {
    try {
      await keepEntries(this.store, entries);
    } catch {
      this.takeBack(entries);
      this.trouble.setState({ words: NOT_KEPT });
      return NOT_KEPT;
    } finally {
      putDown(this.store, entries);
    }
    if (this.trouble.getState().words !== null) this.trouble.setState({ words: null });
    this.changed();
    return null;
  }

  /** Shows the sheet as if these had not been said. */
  private takeBack(entries: readonly Entry[]): void {
    for (const { id } of entries) this.folded.delete(id);
    this.open = new OpenSheet(this.plan);
    this.state.setState(this.open.add([...this.folded.values()]), true);
  }

  private fold(entries: readonly Entry[]): void {
    for (const entry of entries) this.folded.set(entry.id, entry);
    this.state.setState(this.open.add(entries), true);
  }

  private async takeIn(ids: readonly string[]): Promise<void> {
    const unknown = ids.filter((id) => !this.folded.has(id));
    const kept = await this.store.entries.bulkGet([...unknown]);
    if (unknown.length > 0) this.fold(kept.flatMap((entry) => (entry ? [entry.body] : [])));
  }

  /** Adds a picture to a question. Gives the words for the person when it can't. */
  async addPhoto(path: string, file: Blob): Promise<string | null> {
    const taken = await this.takePicture(file);
    return typeof taken === 'string'
      ? taken
      : this.write(photoPath(path, newId()), 'answer', taken);
  }

  /** Keeps a picture's bytes here, to be sent. Gives what it is called by, or why it can't. */
  async takePicture(file: Blob): Promise<PhotoValue | string> {
    try {
      const { value, bytes } = await takePicture(file, new Date());
      await this.keepBytes(value, bytes);
      return value;
    } catch (error) {
      return error instanceof Error ? error.message : 'The photo could not be kept.';
    }
  }

  /** Removes a picture; one the office does not have yet is not sent any more, unless it is used elsewhere. */
  async removePhoto({ path, value }: Photo): Promise<void> {
    if ((await this.write(path, 'clear', null)) !== null) return;
    const inUse = [...everyQuestion(this.state.getState())].some(({ state: { answer, photos } }) =>
      JSON.stringify([answer?.value, photos.map((photo) => photo.value)]).includes(value.sha256),
    );
    if (inUse) return;
    await this.store.transaction('rw', this.store.photos, async () => {
      const kept = await this.store.photos.get(value.sha256);
      if (kept && kept.receivedAt === null && kept.sheet === this.sheet)
        await this.store.photos.delete(value.sha256);
    });
  }

  /** Takes a recording or another file into the sheet. Gives the words when it can't. */
  async addFile(path: string, file: File, seconds?: number): Promise<string | null> {
    try {
      const value = await takeFile(file, new Date(), seconds);
      await this.keepBytes(value, file);
      return await this.write(filePath(path, newId()), 'answer', value);
    } catch (error) {
      return error instanceof Error ? error.message : 'The file could not be kept.';
    }
  }

  private async keepBytes(
    value: { sha256: string; type: string; takenAt: string },
    bytes: Blob,
  ): Promise<void> {
    try {
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
    } catch {
      throw new Error(NOT_KEPT);
    }
  }

  /** Closes these blanks out as not applicable; one entry, so that one step undoes it. */
  closeOut(paths: readonly string[]): Promise<string | null> {
    return this.write(blanksPath(newId()), 'answer', { closed: paths });
  }

  /** Takes answers of the visit before over as answers of this one. */
  async takeOver(answers: readonly LastAnswer[]): Promise<void> {
    const refused = await this.writeAll(answers.map((answer) => ({ ...answer, kind: 'answer' })));
    if (refused) this.trouble.setState({ words: refused });
  }

  /** Has a question show itself; null when it has. */
  seek(path: string | null): void {
    this.sought.setState({ path });
  }
}

const idsFor = (store: LocalStore, sheet: string): Promise<string[]> =>
  store.entries.where('sheet').equals(sheet).primaryKeys();

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
  const job = await store.jobs
    .filter(({ sheets }) => sheets.some(({ id }) => id === sheet))
    .first();
  const own = job?.sheets.find(({ id }) => id === sheet);
  const visits = job ? await store.visits.where('job').equals(job.id).toArray() : [];
  const inOrder = visitsInOrder(visits);
  const visit = inOrder.find((each) => each.person === person) ?? inOrder[0];
  const site = job && (await store.sites.get(job.site));
  const version = own && (await store.templates.get(own.version));
  if (!job || !own || !visit || !site || !version) return null;
  const { asset } = own;
  const thing = asset === null ? undefined : await store.assets.get(asset);
  await keepInHand(store);
  await prepareFor(version.body);
  const series = await store.series
    .where('[site+template]')
    .equals([site.id, version.template])
    .filter((each) => (each.asset ?? null) === asset)
    .toArray();
  const points = new Map(series.map((each) => [each.key, each.points]));
  const earlier = await store.earlier.get(earlierId(site.id, version.template, asset));
  return new SheetSession(
    {
      job,
      own,
      thing: thing?.name ?? null,
      visit,
      site,
      version,
      series: points,
      earlier: earlier ? { day: earlier.day, answers: byPath(earlier.answers) } : null,
    },
    store,
    person,
    changed,
    await entriesFor(store, sheet),
  );
}
