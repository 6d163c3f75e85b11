import { readTagCode, readTagNumber, sayTagNumber } from '@ant-trail/core/tags';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { doHere } from '@/features/sync/outbox.ts';

/** A label in somebody's hand, as far as this phone knows it. */
export interface Label {
  readonly id: string;
  /** Empty where it was printed after this phone last heard from the office. */
  readonly number: string;
  /** The thing it is on. */
  readonly asset: string | null;
}

export type ReadLabel = { readonly label: Label } | { readonly problem: string };

/** The label whose code was read. */
export async function labelOfCode(store: LocalStore, code: string): Promise<ReadLabel> {
  const id = readTagCode(code);
  if (id === null) return { problem: 'This code is on no label of yours. Point at a label.' };
  const known = await store.tags.get(id);
  return { label: { id, number: known?.number ?? '', asset: known?.asset ?? null } };
}

/** The label that has a number printed on it, for one whose code can't be read any more. */
export async function labelOfNumber(store: LocalStore, typed: string): Promise<ReadLabel> {
  const number = readTagNumber(typed);
  if (number === null)
    return { problem: 'A label’s number has eight digits, and one of these is not right.' };
  const known = await store.tags.get({ number });
  return known
    ? { label: known }
    : {
        problem:
          'This phone knows no label with this number. Scan it, or come back with a network.',
      };
}

export const sayLabel = ({ number }: Pick<Label, 'number'>): string =>
  number === '' ? 'This label' : `Label ${sayTagNumber(number)}`;

/** Puts a label on a thing, in place of the one it has. */
export async function putLabel(
  store: LocalStore,
  by: string,
  label: Label,
  asset: string,
): Promise<void> {
  const own = await store.tags.get({ asset });
  await doHere(store, {
    kind: 'label bound',
    body: {
      ...{ id: newId(), tag: label.id, asset, from: label.asset },
      ...{ instead: own?.id ?? null, by, at: new Date().toISOString() },
    },
  });
}
