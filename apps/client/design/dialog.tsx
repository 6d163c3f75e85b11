import { View } from '@tamagui/core';
import { useState, type ReactNode } from 'react';
import { Row } from './box.tsx';
import { Button } from './button.tsx';
import { Body, Heading } from './text.tsx';
import { useModal } from './use-modal.ts';

export interface DialogProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly width?: number;
  /** Nothing is lost where it is closed: what is written in it is kept as it is, or only searches. */
  readonly easy?: boolean;
  /** It is read and pressed before anything is typed: a phone’s keyboard does not come up over it. */
  readonly pressedFirst?: boolean;
}

/** Something asked in front of the page. The browser's own dialog keeps the focus inside it. */
export function Dialog(props: DialogProps) {
  const { title, onClose, children, width = 520, easy = false, pressedFirst = false } = props;
  const [written, setWritten] = useState(false);
  const [asking, setAsking] = useState(false);
  const leave = (): void => {
    if (easy || !written) onClose();
    else setAsking(true);
  };
  const { ref, onPress, noPress } = useModal((dialog) => {
    // What is asked comes first, the way out is a key away.
    if (!pressedFirst)
      dialog.querySelector<HTMLElement>('input:not([hidden]), textarea, select')?.focus();
  });
  return (
    <dialog
      ref={ref}
      aria-label={title}
      onCancel={(event) => {
        event.preventDefault();
        noPress();
        leave();
      }}
      // Pressed once more Escape closes whatever the page says.
      onClose={onClose}
      onClickCapture={onPress}
      onInput={() => setWritten(true)}
      style={{
        border: 0,
        padding: 0,
        margin: 'auto',
        background: 'transparent',
        width: `min(${width}px, calc(100vw - 24px))`,
        maxHeight: 'none',
        overflow: 'hidden',
      }}
    >
      <View
        backgroundColor="$sheet"
        borderColor="$ink"
        borderWidth={2}
        borderTopLeftRadius="$sharp"
        borderTopRightRadius="$leaf"
        borderBottomRightRadius="$leaf"
        borderBottomLeftRadius="$leaf"
        padding="$4"
        gap="$4"
        // The frame stays whole; what is in it scrolls.
        style={{ maxHeight: 'calc(100dvh - 24px)', overflowY: 'auto' }}
      >
        <Row className="to-hand" justifyContent="space-between" gap="$3">
          <Heading>{title}</Heading>
          <Button plain dense onPress={leave}>
            Close
          </Button>
        </Row>
        {asking ? (
          <Row gap="$2" flexWrap="wrap" role="alert" alignItems="center">
            <Body strong flex={1} minWidth={180}>
              What you wrote here is not kept yet.
            </Body>
            <Button dense main onPress={() => setAsking(false)}>
              Go on writing
            </Button>
            <Button dense onPress={onClose}>
              Leave it
            </Button>
          </Row>
        ) : null}
        {children}
      </View>
    </dialog>
  );
}
