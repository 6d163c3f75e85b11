import type { Colleague } from '@ant-trail/contract/sync';
import { useLive } from '@/device/use-live.ts';
import type { LocalStore } from '@/device/local-store.ts';

/** Who works here now, as this phone knows: to give something to, or to have something passed by. */
export const useColleagues = (store: LocalStore): readonly Colleague[] =>
  useLive(() => store.people.filter(({ retired }) => !retired).toArray(), [store]) ?? [];
