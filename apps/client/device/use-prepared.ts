import { isPrepared, prepareFor } from '@ant-trail/core/sheet';
import { useEffect, useMemo, useReducer } from 'react';

/**
 * Whether a template can be planned and folded: what not every sheet needs, such as its trade's kit,
 * is brought first.
 */
export function usePrepared(template: unknown): boolean {
  const [count, again] = useReducer((times: number) => times + 1, 0);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- asked again once something was brought
  const ready = useMemo(() => template === undefined || isPrepared(template), [template, count]);
  useEffect(() => {
    if (!ready) void prepareFor(template).then(again);
  }, [ready, template]);
  return ready;
}
