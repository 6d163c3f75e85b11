import { View } from '@tamagui/core';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { officeTime } from '@/device/clock.ts';
import type { TakenPicture } from '@/device/picture.ts';
import { wordsFor } from '@/device/api.ts';
import { NOT_IN_PICTURE, pictureOfScreen } from './picture-of-screen.ts';
import { stopTelling, useTelling } from './telling.ts';

/** What somebody tells, with the picture of the screen it is about. */
export interface Told {
  readonly words: string;
  readonly picture: TakenPicture | null;
  readonly screen: string;
}

export interface TellingBarProps {
  /** Gives it to the office, or keeps it until there is a network. */
  readonly onTell: (told: Told) => Promise<unknown>;
}

/** Stands above every screen while somebody looks for the one it is about; then asks for words. */
export function TellingBar({ onTell }: TellingBarProps) {
  const { step, picture, screen } = useTelling();
  const [busy, setBusy] = useState(false);
  if (step === 'none') return null;
  if (step === 'writing') return <TellDialog onTell={onTell} picture={picture} screen={screen} />;
  const write = async (withPicture: boolean): Promise<void> => {
    setBusy(true);
    const taken = withPicture ? await pictureOfScreen(officeTime()) : null;
    setBusy(false);
    useTelling.setState({ step: 'writing', picture: taken, screen: document.title.slice(0, 200) });
  };
  return (
    <View
      className={NOT_IN_PICTURE}
      role="region"
      aria-label="Tell the office"
      padding="$3"
      backgroundColor="$sheet"
      borderBottomWidth={2}
      borderColor="$ink"
    >
      <Column gap="$2">
        <Body small>Go to the screen it is about.</Body>
        <Row gap="$2" flexWrap="wrap">
          <Button dense main disabled={busy} onPress={() => write(true)}>
            {busy ? 'One moment …' : 'Take its picture'}
          </Button>
          <Button dense disabled={busy} onPress={() => write(false)}>
            Without a picture
          </Button>
          <Button dense plain onPress={stopTelling}>
            Never mind
          </Button>
        </Row>
      </Column>
    </View>
  );
}

function TellDialog({ onTell, picture: taken, screen }: TellingBarProps & Omit<Told, 'words'>) {
  const [words, setWords] = useState('');
  const [picture, setPicture] = useState(taken);
  const [problem, setProblem] = useState<string | null>(null);
  const [shown] = useState(() => (taken ? URL.createObjectURL(taken.bytes) : null));
  const tell = async (): Promise<void> => {
    if (!words.trim()) return setProblem('Say what is wrong, or what would help.');
    try {
      await onTell({ words: words.trim(), picture, screen });
      stopTelling();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title="Tell the office" onClose={stopTelling} width={560}>
      <Column gap="$3">
        <Input
          label="What is wrong, or what would help"
          lines={4}
          value={words}
          onChange={setWords}
        />
        {picture && shown ? (
          <Column gap="$2">
            <img
              src={shown}
              alt="The screen as it was"
              style={{ maxHeight: 240, maxWidth: '100%', objectFit: 'contain' }}
            />
            <Row>
              <Button dense onPress={() => setPicture(null)}>
                Leave the picture out
              </Button>
            </Row>
          </Column>
        ) : (
          <Body small quiet>
            No picture goes along.
          </Body>
        )}
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={tell}>
          Tell them
        </Button>
      </Column>
    </Dialog>
  );
}
