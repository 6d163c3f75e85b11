import { usePathname, useRouter } from 'expo-router';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Notice } from '@/design/notice.tsx';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';

/** What the office wrote and nobody has read here, wherever one is. */
export function NewMessages() {
  const { store } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const here = usePathname();
  const unread = useLive(
    () =>
      store.messages
        .where('person')
        .equals(person.id)
        .filter(({ by, seenAt }) => by !== person.id && seenAt === null)
        .count(),
    [store, person.id],
  );
  if (!unread || here === '/my-messages') return null;
  const words = `${unread} new ${unread === 1 ? 'message' : 'messages'} from the office`;
  return (
    <Row backgroundColor="$lakeGround" gap="$2" paddingRight="$3" role="status">
      <Row flex={1}>
        <Notice tone="info">{words}</Notice>
      </Row>
      <Button dense label={`Read: ${words}`} onPress={() => router.navigate('/my-messages')}>
        Read
      </Button>
    </Row>
  );
}
