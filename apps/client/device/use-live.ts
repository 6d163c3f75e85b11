import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';

type Found<Result> = { readonly result: Result } | { readonly error: unknown };

/**
 * The result of a query on the local store, kept up to date; undefined until the first answer. A
 * query that fails is thrown for the boundary around the screen: a store that can't be read must
 * not look like one that is empty.
 */
export function useLive<Result>(
  query: () => Promise<Result>,
  dependencies: readonly unknown[],
): Result | undefined {
  const [found, setFound] = useState<Found<Result>>();
  useEffect(() => {
    const subscription = liveQuery(query).subscribe({
      next: (result) => setFound({ result }),
      error: (error: unknown) => setFound({ error }),
    });
    return () => subscription.unsubscribe();
    // The caller names what the query depends on, as with useEffect.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, dependencies);
  if (found && 'error' in found) throw found.error;
  return found?.result;
}
