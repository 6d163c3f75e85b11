import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { ChangeBranch } from '../change-branch.tsx';
import { useMe, useSession } from '../session.ts';
import { KEYS, LETTERS, LOOKS, SettingsFields, UNITS } from '../settings-fields.tsx';
import { WhatChanged } from '../what-changed.tsx';

const SETTINGS = [LOOKS, LETTERS, UNITS, KEYS];

export interface OwnDialogProps {
  readonly onClose: () => void;
  /** What else can be done from here. */
  readonly children?: ReactNode;
}

/** The person at the desk: how they want it, and signing out. */
export function OwnDialog({ onClose, children }: OwnDialogProps) {
  const me = useMe();
  const signOut = useSession((state) => state.signOut);
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
        <SettingsFields settings={SETTINGS} />
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <WhatChanged />
        <Button onPress={() => router.navigate('/trail')}>To my trail</Button>
        {children}
        <Button onPress={() => leave()}>Sign out</Button>
      </Column>
    </Dialog>
  );
}
