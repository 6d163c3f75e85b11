import type { Visit } from '@ant-trail/contract/planning';
import { isUnsigned } from '@ant-trail/core/planning';
import type { LocalStore } from '@/device/local-store.ts';
import { loadStop, type TrailStop } from './trail.ts';

/**
 * The stop where a sheet can't be finished yet: it is the last one there, and whoever answers for the
 * place has not signed. Null where it can.
 */
export async function heldUnsigned(
  store: LocalStore,
  visit: Visit,
  sheet: string,
): Promise<TrailStop | null> {
  const job = await store.jobs.get(visit.job);
  if (!isUnsigned(job?.signing)) return null;
  const stop = await loadStop(store, visit);
  const isLast = stop?.sheets.every(
    ({ sheet: { id }, leftOut, stage }) =>
      id === sheet || leftOut !== null || stage === 'finished' || stage === 'approved',
  );
  return isLast ? stop : null;
}
