import {
  PullAnswer,
  RECORDS,
  type RecordChange,
  type RecordKind,
  type RecordOf,
} from '@ant-trail/contract/sync';
import { ask } from '@/device/api.ts';
import type { LocalStore } from '@/device/local-store.ts';

const CURSOR = 'cursor';
const THROUGH = 'through';
/** The branch whose places the phone has. */
const BRANCH = 'branch';
/** What belongs to other branches is still on the phone. */
const MOVED = 'moved';

/** The kinds of record this version of the application can read. */
export type Readable = Partial<typeof RECORDS>;

/** Fetches everything new for this person, page by page; an interrupted fill goes on where it was. */
export async function pullAll(store: LocalStore, readable: Readable = RECORDS): Promise<void> {
  await takeUpAside(store, readable);
  for (;;) {
    const cursor = await store.note(CURSOR);
    const through = await store.note(THROUGH);
    const query = new URLSearchParams({
      ...(cursor ? { cursor } : {}),
      ...(through ? { through } : {}),
    });
    const page = await ask(PullAnswer, 'GET', `/api/pull?${query}`);
    const was = await store.note(BRANCH);
    if (page.branch !== undefined && was !== undefined && was !== page.branch) {
      await beginInBranch(store, page.branch);
      continue;
    }
    await takeIn(store, page, readable);
    if (!page.more) return;
  }
}

/** Its person went over to another branch: the phone is filled anew, and keeps what it has till then. */
const beginInBranch = (store: LocalStore, branch: string): Promise<void> =>
  store.transaction('rw', store.notes, async () => {
    await store.notes.bulkDelete([CURSOR, THROUGH]);
    await store.notes.bulkPut([
      { key: BRANCH, value: branch },
      { key: MOVED, value: 'yes' },
    ]);
  });

/** What stood in the branch before and is needed for no work goes. */
async function leaveOtherBranches(store: LocalStore, branch: string): Promise<void> {
  for (const part of store.parts) await part.leaveOtherBranches?.(store, branch);
  await store.notes.delete(MOVED);
}

async function takeIn(store: LocalStore, page: PullAnswer, readable: Readable): Promise<void> {
  const now = new Date().toISOString();
  await store.transaction('rw', store.tables, async () => {
    await takeRecords(store, page.changes, readable);
    if (page.visits) await dropOtherVisits(store, page.visits);
    if (page.branch !== undefined && tellsOfOtherBranch(page.changes, page.branch))
      await store.notes.put({ key: MOVED, value: 'yes' });
    if (page.branch !== undefined && !page.more && (await store.note(MOVED)) !== undefined)
      await leaveOtherBranches(store, page.branch);
    await store.notes.bulkPut([
      { key: CURSOR, value: page.cursor },
      { key: THROUGH, value: page.through },
      ...(page.branch === undefined ? [] : [{ key: BRANCH, value: page.branch }]),
      // In step only when nothing more is to come.
      ...(page.more ? [] : [{ key: 'last sync', value: now }]),
    ]);
  });
}

/** Whether a place is among these that is of another branch: it went over to that, or work leads there. */
const tellsOfOtherBranch = (changes: readonly RecordChange[], branch: string): boolean =>
  changes.some(({ kind, body }) => {
    const site = kind === 'site' ? RECORDS.site.safeParse(body) : null;
    return site?.success === true && (site.data.branch ?? branch) !== branch;
  });

/** Keeps each record in its place; one that can't be read is kept aside, and harms no other. */
async function takeRecords(
  store: LocalStore,
  changes: readonly RecordChange[],
  readable: Readable,
): Promise<void> {
  const kinds = new Map<string, RecordChange[]>();
  for (const change of changes) {
    const line = kinds.get(change.kind);
    if (line) line.push(change);
    else kinds.set(change.kind, [change]);
  }
  for (const [kind, line] of kinds)
    if (isReadable(kind, readable)) await takeKind(store, kind, line, readable);
    else await store.aside.bulkPut(line.map(asAside));
}

const isReadable = (kind: string, readable: Readable): kind is RecordKind =>
  Object.hasOwn(readable, kind);

async function takeKind<Kind extends RecordKind>(
  store: LocalStore,
  kind: Kind,
  changes: readonly RecordChange[],
  readable: Readable,
): Promise<void> {
  const keeper = store.keeperOf(kind);
  const records: { id: string; body: RecordOf<Kind> }[] = [];
  const gone: string[] = [];
  const aside: RecordChange[] = [];
  for (const change of changes) {
    if (change.body === null) {
      gone.push(change.id);
      continue;
    }
    const read = readable[kind]?.safeParse(change.body);
    // The schema of a kind gives that kind's record; TypeScript can't follow it through the table.
    if (read?.success) records.push({ id: change.id, body: read.data as RecordOf<Kind> });
    else aside.push(change);
  }
  if (records.length > 0) await keeper.keep(store, records);
  if (gone.length > 0) await keeper.drop?.(store, gone);
  await store.aside.bulkDelete(
    [...records, ...gone.map((id) => ({ id }))].map(({ id }) => keyOf(kind, id)),
  );
  await store.aside.bulkPut(aside.map(asAside));
}

const keyOf = (kind: string, id: string): string => `${kind} ${id}`;
const asAside = ({ kind, id, body }: RecordChange) => ({ key: keyOf(kind, id), kind, id, body });

/** What an older version of the application could not read may be readable by now. */
async function takeUpAside(store: LocalStore, readable: Readable): Promise<void> {
  const aside = await store.aside.toArray();
  if (aside.length === 0) return;
  // Only an async function is followed by the transaction through everything it awaits.
  await store.transaction('rw', store.tables, async () => {
    await takeRecords(store, aside, readable);
  });
}

/** At the end of a fill the office names every visit this person has: others were taken meanwhile. */
async function dropOtherVisits(store: LocalStore, theirs: readonly string[]): Promise<void> {
  const known = await store.visits.toCollection().primaryKeys();
  const others = known.filter((id) => !theirs.includes(id));
  await store.keeperOf('visit').drop?.(store, others);
}
