import { EntryContent } from '@ant-trail/contract/capture';
import type { Entry } from '@ant-trail/core/log';
import { z } from 'zod';
import type { LocalStore } from '@/device/local-store.ts';
import { keepEntries } from './outbox.ts';

const Batch = z.array(EntryContent);

/**
 * The database of a browser keeps things a moment later, and a page that is closed does not wait
 * for it. So what is said is first noted here, at once, and taken off when the database has it.
 */
const prefixOf = (store: LocalStore): string => `${store.name}.in-hand.`;

/** Notes entries that are on their way into the store. */
export function holdInHand(store: LocalStore, entries: readonly Entry[]): void {
  const [first] = entries;
  if (!first) return;
  try {
    localStorage.setItem(prefixOf(store) + first.id, JSON.stringify(entries));
  } catch {
    // Full: then only the store keeps them, and says so should it fail.
  }
}

export function putDown(store: LocalStore, entries: readonly Entry[]): void {
  const [first] = entries;
  if (first) localStorage.removeItem(prefixOf(store) + first.id);
}

/**
 * Keeps what a page closed too early had left in hand, in the order it was said. What the store
 * cannot keep now stays in hand for the next time.
 */
export async function keepInHand(store: LocalStore): Promise<void> {
  const names = Object.keys(localStorage).filter((name) => name.startsWith(prefixOf(store)));
  for (const name of names.sort()) {
    const batch = Batch.safeParse(readNote(name));
    if (!batch.success) continue;
    try {
      await keepEntries(store, batch.data);
    } catch {
      return;
    }
    localStorage.removeItem(name);
  }
}

function readNote(name: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(name) ?? '');
  } catch {
    return null;
  }
}
