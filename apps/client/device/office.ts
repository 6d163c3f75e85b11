import { useCallback, useEffect, useState } from 'react';
import type { z } from 'zod';
import { create } from 'zustand';
import { ask, wordsFor } from './api.ts';

/** Rises whenever the office says that something changed. */
const useChanges = create<{ count: number; live: boolean }>(() => ({ count: 0, live: false }));

/** Listens to the office's events as long as a desk is open. Gives the way to stop. */
export function listenToOffice(): () => void {
  const events = new EventSource('/api/live');
  let timer: ReturnType<typeof setTimeout> | undefined;
  const changed = (): void => {
    // Several changes in a row are one reason to look again.
    clearTimeout(timer);
    timer = setTimeout(() => useChanges.setState(({ count }) => ({ count: count + 1 })), 150);
  };
  events.addEventListener('change', changed);
  events.addEventListener('open', () => {
    useChanges.setState({ live: true });
    changed();
  });
  events.addEventListener('error', () => useChanges.setState({ live: false }));
  return () => {
    clearTimeout(timer);
    events.close();
  };
}

/** Whether changes come in by themselves just now. */
export const useIsLive = (): boolean => useChanges((state) => state.live);

export interface Asked<Answer> {
  readonly answer: Answer | undefined;
  readonly problem: string | null;
  readonly again: () => void;
}

/** Asks the office for something and keeps it current. A null path asks for nothing. */
export function useOffice<Schema extends z.ZodType>(
  schema: Schema,
  path: string | null,
): Asked<z.infer<Schema>> {
  const changes = useChanges((state) => state.count);
  const [tries, setTries] = useState(0);
  const [result, setResult] = useState<{ path: string; answer: z.infer<Schema> }>();
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    if (path === null) return undefined;
    let stale = false;
    ask(schema, 'GET', path).then(
      (answer) => {
        if (stale) return;
        setResult({ path, answer });
        setProblem(null);
      },
      (error: unknown) => {
        if (!stale) setProblem(wordsFor(error));
      },
    );
    return () => {
      stale = true;
    };
  }, [schema, path, changes, tries]);
  const again = useCallback(() => setTries((count) => count + 1), []);
  return { answer: result?.path === path ? result?.answer : undefined, problem, again };
}
