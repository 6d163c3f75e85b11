import { officeTime } from '@/device/clock.ts';
import { useMe } from '@/features/accounts/session.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { asFeedback } from '../as-feedback.ts';
import { TO_THE_OFFICE } from './on-phone.ts';
import { TellingBar, type Told } from '../telling-bar.tsx';

/** Keeps what is told on the phone; it goes out like everything else. */
export function TellFromPhone() {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const tell = async (told: Told): Promise<void> => {
    const body = asFeedback(told, person.id);
    if (told.picture) {
      const { sha256, type } = told.picture.value;
      await store.photos.put({
        ...{ sha256, type, bytes: told.picture.bytes, sheet: TO_THE_OFFICE },
        ...{ takenAt: officeTime().toISOString(), receivedAt: null, refused: null },
        uploadUrl: null,
      });
    }
    await doHere(store, { kind: 'feedback', body });
    engine.soon();
  };
  return <TellingBar onTell={tell} />;
}
