import type { Operation } from '@ant-trail/contract/sync';
import type { LocalStore } from './local-store.ts';

/** The sheet or visit an operation belongs to; empty where it can't be read any more. */
export const placeOf = (store: LocalStore, operation: Operation): string =>
  readable(() => store.waitingKind(operation).place(operation.body as never)) ?? '';

/** An operation in words, such as “Arriving”. */
export const sayOperation = (store: LocalStore, operation: Operation): string =>
  readable(() => store.waitingKind(operation).say(operation.body as never)) ??
  'Something that can’t be read any more';

/** What is kept on a phone may be damaged: one such thing must not hide or hold up the others. */
function readable<Answer>(read: () => Answer): Answer | null {
  try {
    return read();
  } catch {
    return null;
  }
}

/** Undoes on this phone what an operation did here. */
export async function takeBack(store: LocalStore, operation: Operation): Promise<void> {
  await store.waitingKind(operation).takeBack?.(store, operation.body as never);
}

/** Shows on this phone what an operation does, before the office has it. */
export async function showHere(store: LocalStore, operation: Operation): Promise<void> {
  await store.waitingKind(operation).show?.(store, operation.body as never);
}

/** What the office sent is older than what waits here: it must not cover that. */
export async function showWaiting(store: LocalStore): Promise<void> {
  const waiting = await store.outbox.orderBy('order').toArray();
  for (const { operation, refused } of waiting)
    if (refused === null) await showHere(store, operation).catch(() => undefined);
}
