import { SignIn } from '@ant-trail/contract/accounts';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Brand } from '@/design/brand.tsx';
import { Dots } from '@/design/dots.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body, Title } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { useSession, type OwnOrganisation } from './session.ts';

export function SignInScreen() {
  const signIn = useSession((state) => state.signIn);
  const router = useRouter();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [choose, setChoose] = useState<readonly OwnOrganisation[]>([]);
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
      if (several.length === 0) router.replace('/');
    } catch (error) {
      setProblem(wordsFor(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Scroll render="main" backgroundColor="$paper">
      <View flex={1} alignItems="center" padding="$4" paddingTop="$7">
        <Column width="100%" maxWidth={400} gap="$4">
          <Brand />
          <Dots />
          <Title>Sign in</Title>
          <Input label="E-mail address" kind="email" value={email} onChange={setEmail} autoFocus />
          <Input
            label="Password"
            kind="password"
            value={password}
            onChange={setPassword}
            onEnter={() => void submit()}
          />
          {problem ? (
            <Notice tone="eyes" mark="needs eyes" alert>
              {problem}
            </Notice>
          ) : null}
          {choose.length > 0 ? (
            <Column gap="$2" role="group" aria-label="Where do you work now?">
              <Body strong>Where do you work now?</Body>
              {choose.map(({ id, name }) => (
                <Button key={id} main onPress={() => void submit(id)} disabled={busy}>
                  {name}
                </Button>
              ))}
            </Column>
          ) : (
            <Button main onPress={() => void submit()} disabled={busy}>
              {busy ? 'Signing in …' : 'Sign in'}
            </Button>
          )}
          <Body small quiet>
            Work already on this phone stays on it while you are signed out.
          </Body>
        </Column>
      </View>
    </Scroll>
  );
}
