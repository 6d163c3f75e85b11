import type { Operation, OperationKind, RecordKind, RecordOf } from '@ant-trail/contract/sync';
import type { Entry } from '@ant-trail/core/log';
import Dexie, { type EntityTable, type Transaction } from 'dexie';
import type { ComponentType } from 'react';
import { useStoreGone } from './store-gone.ts';

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

export interface KeptRecord<Body> {
  readonly id: string;
  readonly body: Body;
}

export const bodiesOf = <Body>(records: readonly KeptRecord<Body>[]): Body[] =>
  records.map(({ body }) => body);

/** How this phone keeps one kind of record, and lets one go that is no longer this person's. */
export interface RecordKeeper<Body> {
  readonly keep: (store: LocalStore, records: readonly KeptRecord<Body>[]) => Promise<unknown>;
  /** Where left out, such a record stays: it harms nobody and may be needed by what was begun. */
  readonly drop?: (store: LocalStore, ids: readonly string[]) => Promise<unknown>;
}

export type BodyOf<Kind extends OperationKind> = Extract<Operation, { kind: Kind }>['body'];

/** What the phone knows of a kind of operation while one waits to be sent. */
export interface WaitingKind<Body> {
  /** The sheet or the visit it belongs to. */
  readonly place: (body: Body) => string;
  /** What it is, where the office refused it. */
  readonly say: (body: Body) => string;
  /** Shows on this phone what it did, while the office has not answered; as often as wanted. */
  readonly show?: (store: LocalStore, body: Body) => Promise<unknown>;
  /** Takes back on this phone what it did here, once the person lets it go. */
  readonly takeBack?: (store: LocalStore, body: Body) => Promise<unknown>;
}

/** What one capability keeps on a phone, and sends from it. Its tables are named to TypeScript beside this. */
export interface OnPhone {
  /** Its tables by the version of the store they came with: a new one comes with a further version. */
  readonly tables?: Readonly<Record<number, Readonly<Record<string, string>>>>;
  /** What has to be done to what older versions kept. */
  readonly upgrades?: Readonly<Record<number, (store: Transaction) => Promise<void>>>;
  readonly records?: { readonly [Kind in RecordKind]?: RecordKeeper<RecordOf<Kind>> };
  readonly operations?: { readonly [Kind in OperationKind]?: WaitingKind<BodyOf<Kind>> };
  /** What has to be known on every screen of the field, while it is so. */
  readonly notices?: readonly ComponentType[];
  /** Takes off the phone what is no longer needed there, on a day. */
  readonly clearAway?: (store: LocalStore, today: string) => Promise<void>;
  /** Fetches what belongs to what the office told, such as files; the last thing of an exchange. */
  readonly fetchBehind?: (store: LocalStore) => Promise<void>;
  /** Takes off the phone what belongs to another branch than the one its person is in now. */
  readonly leaveOtherBranches?: (store: LocalStore, branch: string) => Promise<void>;
}

/** Tables of the log, the way to the office, and pictures; the others are of their capabilities. */
const OWN_TABLES: OnPhone['tables'] = {
  1: {
    entries: 'id, sheet',
    outbox: '++order, id',
    photos: 'sha256, sheet',
    notes: 'key',
  },
  3: { aside: 'key' },
};

/** All that this phone knows, for one person. Screens read from here and nowhere else. */
export class LocalStore extends Dexie {
  entries!: EntityTable<KeptEntry, 'id'>;
  outbox!: EntityTable<Waiting, 'order'>;
  photos!: EntityTable<KeptPhoto, 'sha256'>;
  aside!: EntityTable<Aside, 'key'>;
  notes!: EntityTable<Note, 'key'>;

  constructor(
    person: string,
    readonly parts: readonly OnPhone[],
  ) {
    super(`ant-trail-${person}`);
    // Dexie lets go of it by itself; nobody must go on as if an empty store were all there ever was.
    this.on('versionchange', ({ newVersion }) => {
      if (newVersion === null) useStoreGone.setState({ gone: true });
    });
    const tables = [OWN_TABLES, ...parts.map((part) => part.tables)];
    const upgrades = parts.map((part) => part.upgrades);
    const versions = [...tables, ...upgrades].flatMap((each) =>
      Object.keys(each ?? {}).map(Number),
    );
    for (const version of new Set(versions.sort((a, b) => a - b)))
      this.version(version)
        .stores(
          Object.assign({}, ...tables.map((each) => each?.[version])) as Record<string, string>,
        )
        .upgrade(async (transaction) => {
          for (const each of upgrades) await each?.[version]?.(transaction);
        });
  }

  /** What keeps a kind of record. */
  keeperOf<Kind extends RecordKind>(kind: Kind): RecordKeeper<RecordOf<Kind>> {
    for (const { records } of this.parts) {
      const keeper = records?.[kind];
      if (keeper) return keeper;
    }
    throw new Error(`nothing keeps records of the kind “${kind}”`);
  }

  /** What is known here of a kind of operation while one waits. */
  waitingKind({ kind }: Operation): WaitingKind<never> {
    for (const { operations } of this.parts) {
      const known = operations?.[kind];
      if (known) return known;
    }
    throw new Error(`nothing is known of operations of the kind “${kind}”`);
  }

  async note(key: string): Promise<string | null> {
    return (await this.notes.get(key))?.value ?? null;
  }
}

let open: { person: string; store: LocalStore } | null = null;

/** The store of the person who is signed in; one person never sees another's. */
export function storeFor(person: string, parts: readonly OnPhone[]): LocalStore {
  if (open?.person !== person) {
    open?.store.close();
    open = { person, store: new LocalStore(person, parts) };
  }
  return open.store;
}
