import { Feedback } from '@ant-trail/contract/feedback';
import { ask } from '@/device/api.ts';
import { sendFile } from '@/device/send-file.ts';
import { useMe } from '@/features/accounts/session.ts';
import { asFeedback } from '../as-feedback.ts';
import { TellingBar, type Told } from '../telling-bar.tsx';

/** What is told at the desk goes out at once. */
export function TellFromDesk() {
  const { person } = useMe();
  const tell = async (told: Told): Promise<void> => {
    if (told.picture) {
      const { sha256, type } = told.picture.value;
      await sendFile({ bytes: told.picture.bytes, sha256, type, uploadUrl: null });
    }
    await ask(Feedback.strip(), 'POST', '/api/feedback', asFeedback(told, person.id));
  };
  return <TellingBar onTell={tell} />;
}
