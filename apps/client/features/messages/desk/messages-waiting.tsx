import { MessageThreads } from '@ant-trail/contract/messages';
import { useRouter } from 'expo-router';
import { Button } from '@/design/button.tsx';
import { useOffice } from '@/device/office.ts';

/** The way to what people wrote, and how much of it nobody has read. */
export function MessagesWaiting() {
  const router = useRouter();
  const { answer } = useOffice(MessageThreads, '/api/messages', ['message']);
  const threads = (answer?.threads ?? []).filter(({ unseen }) => unseen > 0);
  const count = threads.reduce((sum, { unseen }) => sum + unseen, 0);
  const [first] = threads;
  return (
    <Button onPress={() => router.navigate(first ? `/messages?with=${first.person}` : '/messages')}>
      {count === 0 ? 'Messages' : `${count} new ${count === 1 ? 'message' : 'messages'}`}
    </Button>
  );
}
