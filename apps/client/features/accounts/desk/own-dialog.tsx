import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Notice } from '@/design/notice.tsx';
import { useShortcuts } from '@/design/single-keys.ts';
import { Body } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { useThemeChoice } from '@/design/theme-choice.ts';
import { wordsFor } from '@/device/api.ts';
import { ChangeBranch } from '../change-branch.tsx';
import { useMe, useSession } from '../session.ts';

const THEMES = [
  { value: 'as the phone', label: 'As the computer' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
  { value: 'sunlight', label: 'Sun' },
] as const;

export function OwnDialog({ onClose }: { onClose: () => void }) {
  const me = useMe();
  const signOut = useSession((state) => state.signOut);
  const { choice, choose } = useThemeChoice();
  const keys = useShortcuts();
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const leave = () =>
    signOut().then(
      () => router.replace('/sign-in'),
      (error: unknown) => setProblem(wordsFor(error)),
    );
  return (
    <Dialog title={me.person.name} onClose={onClose}>
      <Column gap="$3">
        <Body quiet>
          {me.person.roles.join(', ')} · {me.organisation.name}, {me.branch.name}
        </Body>
        <ChangeBranch />
        <Segments label="How it looks" options={THEMES} chosen={[choice]} onPress={choose} />
        <Tick
          label="Single keys do what the buttons say, as A for “Approve”"
          on={keys.on}
          onPress={() => keys.turn(!keys.on)}
        />
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button onPress={() => router.navigate('/trail')}>To my trail</Button>
        <Button onPress={() => leave()}>Sign out</Button>
      </Column>
    </Dialog>
  );
}
