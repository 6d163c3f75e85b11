import { isPrepared, prepareFor } from '@ant-trail/core/sheet';
import { useEffect, useState } from 'react';

/**
 * Whether a template can be planned and folded: what not every sheet needs, such as its trade's kit,
 * is brought first.
 */
export function usePrepared(template: unknown): boolean {
  const [brought, setBrought] = useState<unknown>(undefined);
  const ready = template === undefined || brought === template || isPrepared(template);
  useEffect(() => {
    if (!ready) void prepareFor(template).then(() => setBrought(template));
  }, [ready, template]);
  return ready;
}
