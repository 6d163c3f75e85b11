import { SignIn } from '@ant-trail/contract/accounts';
import { useState, type FormEvent } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { useSession } from './session.ts';

/** On every screen: that the office waits for a sign-in, and the way to it from just here. */
export function LapsedNotice() {
  const { me, lapsed } = useSession();
  const [open, setOpen] = useState(false);
  if (!me || !lapsed) return null;
  const { name } = me.person;
  return (
    <>
      <Notice tone="eyes" mark="needs eyes" alert>
        <Row gap="$3" flexWrap="wrap" alignItems="center">
          <Body strong flex={1} minWidth={200}>
            {lapsed === 'someone else'
              ? `Somebody else signed in here. What ${name} wrote waits on this phone.`
              : 'You are signed out at the office. Go on working: what you write is kept here, and goes out once you sign in again.'}
          </Body>
          <Button dense main onPress={() => setOpen(true)}>
            Sign in again
          </Button>
        </Row>
      </Notice>
      {open ? <SignInAgain onClose={() => setOpen(false)} /> : null}
    </>
  );
}

/** The same person signs in again, in front of what they were at. */
function SignInAgain({ onClose }: { onClose: () => void }) {
  const me = useSession((state) => state.me);
  const signIn = useSession((state) => state.signIn);
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (!me) return null;
  const { person, organisation } = me;
  const submit = async (): Promise<void> => {
    const read = SignIn.safeParse({
      ...{ email: person.email, password, organisation: organisation.id, as: person.id },
    });
    if (!read.success) return setProblem(read.error.issues[0]?.message ?? 'Write your password.');
    setBusy(true);
    try {
      await signIn(read.data);
      onClose();
    } catch (error) {
      setProblem(wordsFor(error));
    } finally {
      setBusy(false);
    }
    return undefined;
  };
  return (
    <Dialog title={`Sign in as ${person.name}`} onClose={onClose} width={420} easy>
      <form
        aria-label={`Sign in as ${person.name}`}
        // Only for those who fill in passwords: Enter and the button do the rest.
        onSubmit={(event: FormEvent) => event.preventDefault()}
      >
        <Column gap="$3">
          <Body quiet>{person.email}</Body>
          <Input
            label="Password"
            kind="password"
            value={password}
            onChange={setPassword}
            onEnter={() => void submit()}
            problem={problem ?? undefined}
          />
          <Button main disabled={busy} onPress={() => submit()}>
            {busy ? 'Signing in …' : 'Sign in'}
          </Button>
        </Column>
      </form>
    </Dialog>
  );
}
