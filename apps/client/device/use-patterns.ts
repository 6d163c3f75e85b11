import { arePatternsLoaded, loadPatterns, usesPatterns } from '@ant-trail/core/logic';
import { useEffect, useMemo, useReducer } from 'react';

/**
 * Whether a template's expressions can be evaluated: one that looks for patterns needs the engine for
 * them first, which is loaded then.
 */
export function usePatterns(template: unknown): boolean {
  const [, again] = useReducer((count: number) => count + 1, 0);
  const needed = useMemo(
    () => template !== undefined && usesPatterns(JSON.stringify(template)),
    [template],
  );
  const ready = !needed || arePatternsLoaded();
  useEffect(() => {
    if (!ready) void loadPatterns().then(again);
  }, [ready]);
  return ready;
}
