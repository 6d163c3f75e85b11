import type { ActionDraft } from '@ant-trail/contract/actions';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { queue } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';

/** Opens a corrective action on this phone and queues it, both or neither. */
export async function openActionHere(store: LocalStore, action: ActionDraft): Promise<void> {
  await store.transaction('rw', store.actions, store.outbox, async () => {
    await store.actions.put(action);
    await queue(store, [{ kind: 'action', body: action }]);
  });
}

/** The corrective actions opened on this phone for a sheet. */
export function useActionsOf(sheet: string): ActionDraft[] | undefined {
  const { store } = usePhone();
  return useLive(() => store.actions.where('sheet').equals(sheet).toArray(), [store, sheet]);
}
