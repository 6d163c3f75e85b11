import { useLocalSearchParams } from 'expo-router';
import { InvitationScreen } from '@/features/accounts/invitation-screen.tsx';
import { SignInScreen } from '@/features/accounts/sign-in-screen.tsx';

export default function SignIn() {
  const { invitation } = useLocalSearchParams<{ invitation?: string }>();
  return invitation ? <InvitationScreen token={invitation} /> : <SignInScreen />;
}
