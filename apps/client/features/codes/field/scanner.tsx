import { View } from '@tamagui/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { openCamera } from '@/device/camera.ts';
import { readCode, type ReadCode } from '@/device/read-code.ts';

/** Between two looks at what the camera shows. */
const LOOK_EVERY_MS = 200;

export interface ScannerProps {
  readonly label: string;
  readonly onRead: (code: ReadCode) => void;
  readonly onClose: () => void;
  /** Looks on after a code: it may not be the one that is wanted. */
  readonly goesOn?: boolean;
  /** What is wrong with the code that was read last. */
  readonly refused?: string | null;
  /** Another way to say which code it is. */
  readonly children?: ReactNode;
}

/** Looks for a code through the camera until one is read; a picture does as well. */
export function Scanner({
  label,
  onRead,
  onClose,
  goesOn = false,
  refused,
  children,
}: ScannerProps) {
  const video = useRef<HTMLVideoElement>(null);
  const picker = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const read = useRef(onRead);
  useEffect(() => {
    read.current = onRead;
  });
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over = false;
    let stop: (() => void) | null = null;
    const look = async (seen: HTMLVideoElement): Promise<void> => {
      const code = await readCode(seen);
      if (over) return;
      if (code) read.current(code);
      if (!code || goesOn) timer = setTimeout(() => void look(seen), LOOK_EVERY_MS);
    };
    void openCamera().then((camera) => {
      const seen = video.current;
      if (over || !seen) return camera?.stop();
      if (!camera) {
        setProblem('No camera can be used here. Take a picture of the code instead.');
        return undefined;
      }
      stop = camera.stop;
      seen.srcObject = camera.stream;
      void seen.play().then(() => look(seen));
      return undefined;
    });
    return () => {
      over = true;
      clearTimeout(timer);
      stop?.();
    };
  }, [goesOn]);
  const fromPicture = async (file: File | undefined) => {
    if (!file) return;
    const code = await readCode(file);
    if (code) onRead(code);
    else setProblem('No code could be read in this picture. Go closer, or type what is printed.');
    if (picker.current) picker.current.value = '';
  };
  return (
    <Dialog title={`Scan: ${label}`} onClose={onClose} easy>
      <Column gap="$3">
        <View height={300} backgroundColor="$bark" overflow="hidden">
          <video
            ref={video}
            muted
            playsInline
            aria-label="What the camera sees"
            style={{ width: '100%', height: '100%', objectFit: 'cover' }}
          />
        </View>
        {(refused ?? problem) ? (
          <Body small eyes strong role="alert">
            {refused ?? problem}
          </Body>
        ) : (
          <Body small quiet>
            Point the camera at the code. It is read by itself.
          </Body>
        )}
        <input
          ref={picker}
          type="file"
          accept="image/*"
          capture="environment"
          hidden
          aria-label={`Picture of the code for ${label}`}
          onChange={(event) => void fromPicture(event.target.files?.[0])}
        />
        <Button onPress={() => picker.current?.click()}>Take a picture of it</Button>
        {children}
      </Column>
    </Dialog>
  );
}
