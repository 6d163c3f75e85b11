import { addDays } from '@ant-trail/core/calendar';
import { useLive } from '@/device/use-live.ts';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { loadTrail, type Trail } from './trail.ts';

/** The signed-in person's day, so many days ahead. */
export function useTrail(ahead: number): {
  readonly day: string;
  readonly trail: Trail | undefined;
} {
  const { organisation, person } = useMe();
  const { store } = usePhone();
  const { day: today } = useNow(organisation.timeZone);
  const day = addDays(today, ahead);
  const trail = useLive(
    () => loadTrail(store, person.id, day, today),
    [store, person.id, day, today],
  );
  return { day, trail };
}
