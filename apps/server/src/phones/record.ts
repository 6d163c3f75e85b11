import type { RecordChange, RecordKind, RecordOf } from '@ant-trail/contract/sync';
import type { EntityManager } from 'typeorm';
import type { FeedKind } from '../database/feed.ts';

export interface Kept<Kind extends RecordKind> {
  readonly id: string;
  readonly body: RecordOf<Kind>;
}

/** A job as the records that go along with it need it. */
export interface JobAtHand {
  readonly id: string;
  readonly day: string;
  /** Id of the place. */
  readonly site: string;
  readonly sheets: readonly {
    readonly id: string;
    readonly version: string;
    readonly template: string;
    readonly asset: string | null;
  }[];
}

/** A page of what a branch has. */
export interface BranchPage {
  readonly branch: string;
  /** The last id of the page before. */
  readonly after: string | null;
  readonly most: number;
}

/** A kind of record that phones keep, as its capability declares it: when it goes there, and how it loads. */
export interface RecordSource<Kind extends RecordKind> {
  readonly kind: Kind;
  /** Everybody has all of these, whatever their work. */
  readonly forAll?: (db: EntityManager) => Promise<readonly Kept<Kind>[]>;
  /** These are somebody’s own, whatever their work. */
  readonly ofPerson?: (db: EntityManager, person: string) => Promise<readonly Kept<Kind>[]>;
  /** Everybody of a branch has all of these, and there may be many: a page of them, in the order of their ids. */
  readonly ofBranch?: (db: EntityManager, page: BranchPage) => Promise<readonly Kept<Kind>[]>;
  /** So many of these are a page; as many as there is room for where it is left out. */
  readonly atMost?: number;
  /** Those that go along with jobs, which are given whole. */
  readonly withJobs?: (
    db: EntityManager,
    jobs: readonly JobAtHand[],
  ) => Promise<readonly Kept<Kind>[]>;
  /** Those that changed, by what the feed named, since a transaction. */
  readonly after?: Partial<
    Record<
      FeedKind,
      (db: EntityManager, refs: readonly string[], since: number) => Promise<readonly Kept<Kind>[]>
    >
  >;
}

/** A declared kind, for a list of them all. */
export interface PhoneRecords {
  readonly kind: RecordKind;
  forAll(db: EntityManager): Promise<RecordChange[]>;
  ofPerson(db: EntityManager, person: string): Promise<RecordChange[]>;
  readonly isPaged: boolean;
  readonly atMost: number;
  ofBranch(db: EntityManager, page: BranchPage): Promise<RecordChange[]>;
  withJobs(db: EntityManager, jobs: readonly JobAtHand[]): Promise<RecordChange[]>;
  after(
    db: EntityManager,
    feed: ReadonlyMap<FeedKind, readonly string[]>,
    since: number,
  ): Promise<RecordChange[]>;
}

export function phoneRecords<Kind extends RecordKind>(source: RecordSource<Kind>): PhoneRecords {
  const { kind } = source;
  const changes = (kept: readonly Kept<Kind>[] | undefined): RecordChange[] =>
    (kept ?? []).map(({ id, body }) => ({ kind, id, body }));
  return {
    kind,
    forAll: async (db) => changes(await source.forAll?.(db)),
    ofPerson: async (db, person) => changes(await source.ofPerson?.(db, person)),
    isPaged: source.ofBranch !== undefined,
    atMost: source.atMost ?? Infinity,
    ofBranch: async (db, page) => changes(await source.ofBranch?.(db, page)),
    withJobs: async (db, jobs) => changes(await source.withJobs?.(db, jobs)),
    after: async (db, feed, since) => {
      const found: RecordChange[] = [];
      for (const [named, refs] of feed)
        found.push(...changes(await source.after?.[named]?.(db, refs, since)));
      return found;
    },
  };
}

/** Records that are known by an id of their own. */
export const byId = <Body extends { readonly id: string }>(
  bodies: readonly Body[],
): { id: string; body: Body }[] => bodies.map((body) => ({ id: body.id, body }));
