import {
  keepPreviousData,
  QueryClient,
  useInfiniteQuery,
  useQuery,
  type Query,
} from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { z } from 'zod';
import { create } from 'zustand';
import { ask, wordsFor } from './api.ts';

/** What the office says has changed; a question names what its answer is about. */
export type OfficeKind =
  | 'visit'
  | 'sheet'
  | 'site'
  | 'site note'
  | 'branch'
  | 'client'
  | 'arrival'
  | 'opening'
  | 'asset'
  | 'asset kind'
  | 'tag'
  | 'catalogue'
  | 'map'
  | 'own fields'
  | 'document'
  | 'feedback'
  | 'round'
  | 'planner'
  | 'message'
  | 'favourite'
  | 'hours'
  | 'person'
  | 'action'
  | 'media'
  | 'mail'
  | 'template'
  | 'view';
export type About = readonly OfficeKind[];

const useChanges = create<{ live: boolean }>(() => ({ live: false }));

/**
 * Answers of the office, shared by all that show them just now and forgotten with the last of these: a
 * form that is opened again must not begin with what was there before. While the office tells of
 * changes, nothing is asked again without a reason.
 */
const answers = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: () => (useChanges.getState().live ? 60_000 : 0),
      gcTime: 0,
      retry: false,
      refetchOnWindowFocus: false,
      networkMode: 'always',
    },
  },
});

/** Whether changes come in by themselves just now. */
export const useIsLive = (): boolean => useChanges((state) => state.live);

const Told = z.object({ changes: z.array(z.object({ kind: z.string() })).nullable() });

/** Several changes in a row are one reason to look again. */
const GATHER_MS = 150;

/** Listens to the office's events as long as a desk is open. Gives the way to stop. */
export function listenToOffice(): () => void {
  const events = new EventSource('/api/live');
  let timer: ReturnType<typeof setTimeout> | undefined;
  let kinds: Set<string> | 'any' = new Set();
  const look = (): void => {
    const changed = kinds;
    kinds = new Set();
    const isTouched = ({ meta }: Query): boolean => {
      const about = meta?.['about'] as About | undefined;
      return changed === 'any' || !about || about.some((kind) => changed.has(kind));
    };
    void answers.invalidateQueries({ predicate: isTouched });
  };
  const changed = (named: readonly string[] | null): void => {
    if (named === null) kinds = 'any';
    else if (kinds !== 'any') for (const kind of named) kinds.add(kind);
    clearTimeout(timer);
    timer = setTimeout(look, GATHER_MS);
  };
  events.addEventListener('change', (event: MessageEvent<string>) => {
    const told = Told.safeParse(JSON.parse(event.data));
    changed(told.data?.changes?.map(({ kind }) => kind) ?? null);
  });
  events.addEventListener('open', () => {
    useChanges.setState({ live: true });
    changed(null);
  });
  events.addEventListener('error', () => useChanges.setState({ live: false }));
  return () => {
    clearTimeout(timer);
    events.close();
    // Somebody else may sit here next.
    answers.clear();
  };
}

export interface Asked<Answer> {
  readonly answer: Answer | undefined;
  readonly problem: string | null;
  readonly again: () => void;
}

/**
 * Asks the office for something and keeps it current: asked again when what it is about has changed,
 * or anything where that is not said. A null path asks for nothing.
 */
export function useOffice<Schema extends z.ZodType>(
  schema: Schema,
  path: string | null,
  about?: About,
): Asked<z.infer<Schema>> {
  const { data, error, refetch } = useQuery(
    {
      queryKey: [path],
      queryFn: () => ask(schema, 'GET', path ?? ''),
      enabled: path !== null,
      meta: { about },
    },
    answers,
  );
  const again = useCallback(() => void refetch(), [refetch]);
  return { answer: path === null ? undefined : data, problem: error && wordsFor(error), again };
}

export interface Searched<Answer> extends Asked<Answer> {
  /** Whether the answer is still that to the question before. */
  readonly looking: boolean;
}

/** Asks while somebody writes: what was found before stays until the next answer is there. */
export function useOfficeSearch<Schema extends z.ZodType>(
  schema: Schema,
  path: string,
  about: About,
): Searched<z.infer<Schema>> {
  const { data, error, refetch, isPlaceholderData, isPending } = useQuery(
    {
      queryKey: [path],
      queryFn: () => ask(schema, 'GET', path),
      placeholderData: keepPreviousData,
      meta: { about },
    },
    answers,
  );
  return {
    answer: data,
    problem: error && wordsFor(error),
    again: () => void refetch(),
    looking: isPlaceholderData || isPending,
  };
}

export interface AskedList<Row> {
  readonly rows: readonly Row[];
  /** How many there are in all; unknown until the first answer. */
  readonly total: number | undefined;
  readonly problem: string | null;
  /** Asks for the next page; null where there is none, or it is on its way. */
  readonly more: (() => void) | null;
  readonly again: () => void;
}

interface Page<Row> {
  readonly rows: readonly Row[];
  readonly next: string | null;
  readonly total: number | null;
}

/** Asks for a list page by page, as far as somebody reads on. */
export function useOfficeList<Row>(
  schema: z.ZodType<Page<Row>>,
  path: string,
  query: Readonly<Record<string, string>>,
  about: About,
): AskedList<Row> {
  const asked = new URLSearchParams(query).toString();
  const { data, error, refetch, hasNextPage, isFetching, fetchNextPage } = useInfiniteQuery(
    {
      queryKey: ['list', path, asked],
      queryFn: ({ pageParam }) =>
        ask(schema, 'GET', `${path}?${asked}${pageParam ? `&cursor=${pageParam}` : ''}`),
      initialPageParam: '',
      getNextPageParam: (page: Page<Row>) => page.next,
      placeholderData: keepPreviousData,
      meta: { about },
    },
    answers,
  );
  const rows = useMemo(() => data?.pages.flatMap((page) => page.rows) ?? [], [data]);
  return {
    rows,
    total: data?.pages[0]?.total ?? undefined,
    problem: error && wordsFor(error),
    more: hasNextPage && !isFetching ? () => void fetchNextPage() : null,
    again: () => void refetch(),
  };
}
