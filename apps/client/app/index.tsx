import { Redirect } from 'expo-router';
import { useSession, worksAtDesk } from '@/features/accounts/session.ts';

export default function Start() {
  const me = useSession((state) => state.me);
  if (!me) return <Redirect href="/sign-in" />;
  return <Redirect href={worksAtDesk(me) ? '/day' : '/trail'} />;
}
