import { Me } from '@ant-trail/contract/accounts';
import { ask } from '@/device/api.ts';
import { useSettings } from '@/device/settings.ts';
import { useSession } from './session.ts';

const AFTER_MS = 800;

/**
 * Takes what the office keeps of a person's settings, and tells it what was changed here, soon or when
 * there is a network again.
 */
export function keepSettings(): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const send = async (): Promise<void> => {
    const { unsent, sent } = useSettings.getState();
    if (Object.keys(unsent).length === 0 || !useSession.getState().me) return;
    try {
      await ask(Me, 'PUT', '/api/me/settings', unsent);
      sent(unsent);
    } catch {
      // Kept here; the next time there is a network.
    }
  };
  const soon = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void send(), AFTER_MS);
  };
  const { me } = useSession.getState();
  if (me) soon();
  const deaf = useSession.subscribe(({ me: now }, { me: before }) => {
    if (!now || now === before) return;
    useSettings.getState().take(now.settings, now.person.id);
    soon();
  });
  const unheard = useSettings.subscribe(({ unsent }, before) => {
    if (unsent !== before.unsent && Object.keys(unsent).length > 0) soon();
  });
  addEventListener('online', soon);
  return () => {
    clearTimeout(timer);
    deaf();
    unheard();
    removeEventListener('online', soon);
  };
}
