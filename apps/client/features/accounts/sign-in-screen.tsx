import { SignIn, type Branch } from '@ant-trail/contract/accounts';
import { useRouter } from 'expo-router';
import { useState, type FormEvent } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { Door, DoorProblem } from './door.tsx';
import { useSession, type OwnOrganisation } from './session.ts';

export function SignInScreen() {
  const signIn = useSession((state) => state.signIn);
  const changeBranch = useSession((state) => state.changeBranch);
  const router = useRouter();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [choose, setChoose] = useState<readonly OwnOrganisation[]>([]);
  const [branches, setBranches] = useState<readonly Branch[]>([]);
  const go = async (branch: string) => {
    try {
      await changeBranch(branch);
      router.replace('/');
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const submit = async (organisation?: string) => {
    const read = SignIn.safeParse({
      email: email.trim(),
      password,
      ...(organisation ? { organisation } : {}),
    });
    if (!read.success) {
      setProblem(read.error.issues[0]?.message ?? 'Write your e-mail address and password.');
      return;
    }
    setBusy(true);
    setProblem(null);
    try {
      const several = await signIn(read.data);
      setChoose(several);
      if (several.length > 0) return;
      const { me } = useSession.getState();
      if (me && me.branches.length > 1) setBranches(me.branches);
      else router.replace('/');
    } catch (error) {
      setProblem(wordsFor(error));
    } finally {
      setBusy(false);
    }
  };
  if (branches.length > 0)
    return (
      <Door title="Which branch are you in now?">
        <Column gap="$2">
          <DoorProblem words={problem} />
          {branches.map(({ id, name }) => (
            <Button key={id} main onPress={() => go(id)}>
              {name}
            </Button>
          ))}
        </Column>
      </Door>
    );
  return (
    <Door title="Sign in">
      <form aria-label="Sign in" onSubmit={(event: FormEvent) => event.preventDefault()}>
        <Column gap="$4">
          <Input label="E-mail address" kind="email" value={email} onChange={setEmail} autoFocus />
          <Input
            label="Password"
            kind="password"
            value={password}
            onChange={setPassword}
            onEnter={() => void submit()}
          />
          <DoorProblem words={problem} />
          {choose.length > 0 ? (
            <Column gap="$2" role="group" aria-label="Where do you work now?">
              <Body strong>Where do you work now?</Body>
              {choose.map(({ id, name }) => (
                <Button key={id} main onPress={() => submit(id)} disabled={busy}>
                  {name}
                </Button>
              ))}
            </Column>
          ) : (
            <Button main onPress={() => submit()} disabled={busy}>
              {busy ? 'Signing in …' : 'Sign in'}
            </Button>
          )}
        </Column>
      </form>
      <Body small quiet>
        Work already on this phone stays on it while you are signed out.
      </Body>
    </Door>
  );
}
