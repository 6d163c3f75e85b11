import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Heading, Title } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { ChangeBranch } from '@/features/accounts/change-branch.tsx';
import { PassStep } from '@/features/accounts/field/pass-step.tsx';
import {
  GOING_ON,
  HAND,
  LETTERS,
  LOOKS,
  PHOTOS,
  SettingsFields,
  UNITS,
} from '@/features/accounts/settings-fields.tsx';
import { WhatChanged } from '@/features/accounts/what-changed.tsx';
import { beginTelling } from '@/features/feedback/telling.ts';
import { useMe, useSession, worksAtDesk } from '@/features/accounts/session.ts';
import { OwnCalendar } from '@/features/planning/own-calendar.tsx';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { countKept } from '@/features/sync/kept.ts';
import { usePhone } from '@/features/sync/phone.tsx';

const SETTINGS = [LOOKS, LETTERS, HAND, UNITS, GOING_ON, PHOTOS];

/** The person: credentials, how it looks, and signing out. */
export function SelfScreen() {
  const me = useMe();
  const signOut = useSession((state) => state.signOut);
  const { store, engine } = usePhone();
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const leave = async () => {
    const { operations, photos, refused } = await countKept(store);
    const unsent = operations + photos + refused;
    if (unsent > 0) {
      setProblem(
        `${unsent} ${unsent === 1 ? 'thing is' : 'things are'} still kept only here. Go to “Sending”, send ${unsent === 1 ? 'it' : 'them'}, then sign out.`,
      );
      return;
    }
    try {
      await signOut();
      router.replace('/sign-in');
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <FieldPage title={me.person.name}>
      <FieldHead>
        <Title>{me.person.name}</Title>
        <Body small quiet>
          {me.person.trade} · {me.organisation.name}, {me.branch.name}
        </Body>
      </FieldHead>
      <Scroll render="main" id="main">
        <Column padding="$4" gap="$4">
          <Column gap="$2">
            <Heading>Credentials</Heading>
            {me.person.credentials.map((credential) => (
              <Body key={credential.id}>
                {credential.kind} {credential.number}, valid to {sayShortDay(credential.expiresOn)}{' '}
                {credential.expiresOn.slice(0, 4)}
              </Body>
            ))}
            {me.person.credentials.length === 0 ? <Body quiet>None are on record.</Body> : null}
          </Column>
          <ChangeBranch onChanged={engine.soon} />
          <Dots />
          <PassStep />
          <Dots />
          <SettingsFields settings={SETTINGS} />
          <Dots />
          <OwnCalendar />
          <Button onPress={() => router.navigate('/ready')}>Is my phone ready?</Button>
          <Button onPress={beginTelling}>Tell the office what is wrong here</Button>
          <WhatChanged />
          <Dots />
          {problem ? (
            <Notice tone="eyes" mark="needs eyes" alert>
              {problem}
            </Notice>
          ) : null}
          {worksAtDesk(me) ? (
            <Button onPress={() => router.navigate('/day')}>To the desk</Button>
          ) : null}
          <Button onPress={() => leave()}>Sign out</Button>
        </Column>
      </Scroll>
      <FieldFoot>
        <FieldNav />
      </FieldFoot>
    </FieldPage>
  );
}
