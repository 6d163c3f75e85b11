import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Dots } from '@/design/dots.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Heading, Title } from '@/design/text.tsx';
import { useThemeChoice, type ThemeChoice } from '@/design/theme-choice.ts';
import { chooseUnitSystem, useUnitSystem } from '@/design/unit-system.ts';
import { useStraightOn } from '@/device/straight-on.ts';
import { wordsFor } from '@/device/api.ts';
import { ChangeBranch } from '@/features/accounts/change-branch.tsx';
import { PassStep } from '@/features/accounts/field/pass-step.tsx';
import { useMe, useSession, worksAtDesk } from '@/features/accounts/session.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { countKept } from '@/features/sync/kept.ts';
import { usePhone } from '@/features/sync/phone.tsx';

const THEMES: readonly { value: ThemeChoice; label: string }[] = [
  { value: 'as the phone', label: 'As the phone' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
  { value: 'sunlight', label: 'Sun' },
];

const GOING_ON = [
  { value: 'by itself', label: 'By itself' },
  { value: 'by hand', label: 'By hand' },
] as const;

const UNITS = [
  { value: 'SI', label: 'SI' },
  { value: 'US', label: 'US customary' },
] as const;

/** The person: credentials, how it looks, and signing out. */
export function SelfScreen() {
  const me = useMe();
  const signOut = useSession((state) => state.signOut);
  const { choice, choose } = useThemeChoice();
  const units = useUnitSystem();
  const straightOn = useStraightOn();
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
          <Column gap="$2">
            <Heading>How it looks</Heading>
            <Segments label="How it looks" options={THEMES} chosen={[choice]} onPress={choose} />
            <Body small quiet>
              “Sun” has the highest contrast.
            </Body>
          </Column>
          <Column gap="$2">
            <Heading>Units</Heading>
            <Segments label="Units" options={UNITS} chosen={[units]} onPress={chooseUnitSystem} />
            <Body small quiet>
              Where a question can be entered in both. What was entered stays as it is.
            </Body>
          </Column>
          <Column gap="$2">
            <Heading>Going on</Heading>
            <Segments
              label="Going on"
              options={GOING_ON}
              chosen={[straightOn.on ? 'by itself' : 'by hand']}
              onPress={(how) => straightOn.turn(how === 'by itself')}
            />
            <Body small quiet>
              By itself, what comes next is before you as soon as you have pressed an answer: the
              next question, the next section, and at the end everything to read through.
            </Body>
          </Column>
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
