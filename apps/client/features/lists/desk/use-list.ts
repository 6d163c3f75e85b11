import { useGlobalSearchParams, useRouter } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import type { z } from 'zod';
import { useOfficeList, type About, type AskedList } from '@/device/office.ts';

export type ListQuery = Readonly<Record<string, string>>;

export interface List<Row> extends AskedList<Row> {
  readonly name: string;
  /** Where the office gives the same list as a table file. */
  readonly path: string;
  /** How the list is narrowed and ordered; it stands in the address, so that it can be kept and sent. */
  readonly query: ListQuery;
  readonly change: (to: Readonly<Record<string, string | undefined>>) => void;
  readonly replace: (query: ListQuery) => void;
}

export interface ListOf<Row> {
  readonly name: string;
  readonly path: string;
  readonly schema: z.ZodType<{ rows: Row[]; next: string | null; total: number | null }>;
  readonly about: About;
  /** What a list may be narrowed by. */
  readonly keys: readonly string[];
  /** What it is always narrowed by, whatever the address says. */
  readonly always?: ListQuery;
}

/** A list of the office, as the address says it is wanted. */
export function useList<Row>(of: ListOf<Row>): List<Row> {
  const { name, path, schema, about, keys, always } = of;
  const params = useGlobalSearchParams<Record<string, string>>();
  const router = useRouter();
  const known = [...keys, 'text', 'order'];
  const query: Record<string, string> = {};
  for (const key of known) {
    const value = params[key];
    if (typeof value === 'string' && value !== '') query[key] = value;
  }
  Object.assign(query, always);
  const change = useCallback(
    (to: Readonly<Record<string, string | undefined>>) => router.setParams(to),
    [router],
  );
  return {
    name,
    path,
    query,
    change,
    replace: (next) =>
      change({ ...Object.fromEntries(known.map((key) => [key, undefined])), ...next }),
    ...useOfficeList(schema, path, query, about),
  };
}

const WRITING_MS = 250;

/** Text that is being written, told on when the hand rests. */
export function useWritten(
  value: string,
  told: (text: string) => void,
): [string, (text: string) => void] {
  const [text, setText] = useState(value);
  const [before, setBefore] = useState(value);
  // Changed from elsewhere: a view was chosen, or the way back taken.
  if (value !== before) {
    setBefore(value);
    if (value !== text.trim()) setText(value);
  }
  useEffect(() => {
    if (text.trim() === value) return undefined;
    const timer = setTimeout(() => told(text.trim()), WRITING_MS);
    return () => clearTimeout(timer);
  }, [text, value, told]);
  return [text, setText];
}
