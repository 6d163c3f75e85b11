import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';

/** The result of a query on the local store, kept up to date; undefined until the first answer. */
export function useLive<Result>(
  query: () => Promise<Result>,
  dependencies: readonly unknown[],
): Result | undefined {
  const [result, setResult] = useState<Result>();
  useEffect(() => {
    const subscription = liveQuery(query).subscribe({ next: setResult });
    return () => subscription.unsubscribe();
    // The caller names what the query depends on, as with useEffect.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, dependencies);
  return result;
}
