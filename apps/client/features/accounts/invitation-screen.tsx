import { Invitation } from '@ant-trail/contract/accounts';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { Door, DoorProblem } from './door.tsx';
import { takeUpInvitation, useSession } from './session.ts';

/** Whoever was invited chooses a password, and is in. */
export function InvitationScreen({ token }: { token: string }) {
  const signIn = useSession((state) => state.signIn);
  const router = useRouter();
  const [password, setPassword] = useState('');
  const [again, setAgain] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async (): Promise<void> => {
    const read = Invitation.safeParse({ token, password });
    const wrong = read.success
      ? password === again
        ? null
        : 'The two passwords are not the same.'
      : (read.error.issues[0]?.message ?? 'Write a password.');
    setProblem(wrong);
    if (!read.success || wrong !== null) return;
    setBusy(true);
    try {
      const { email, organisation } = await takeUpInvitation(read.data);
      await signIn({ email, password, organisation });
      router.replace('/');
    } catch (error) {
      setProblem(wordsFor(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Door title="Choose a password">
      <Body>With it you sign in from now on, on every phone and computer you work with.</Body>
      <Input
        label="Password"
        help="At least 12 characters. Four words in a row are good."
        kind="password"
        value={password}
        onChange={setPassword}
        autoFocus
      />
      <Input
        label="The same again"
        kind="password"
        value={again}
        onChange={setAgain}
        onEnter={() => void submit()}
      />
      <DoorProblem words={problem} />
      <Button main onPress={() => submit()} disabled={busy}>
        {busy ? 'One moment …' : 'Choose and sign in'}
      </Button>
    </Door>
  );
}
