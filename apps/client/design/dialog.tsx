import { View } from '@tamagui/core';
import { useEffect, useRef, type ReactNode } from 'react';
import { Row } from './box.tsx';
import { Button } from './button.tsx';
import { Heading } from './text.tsx';

export interface DialogProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly width?: number;
}

/** Something asked in front of the page. The browser's own dialog keeps the focus inside it. */
export function Dialog({ title, onClose, children, width = 520 }: DialogProps) {
  const ref = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = ref.current;
    if (dialog && !dialog.open) {
      dialog.showModal();
      // What is asked comes first, the way out is a key away.
      dialog.querySelector<HTMLElement>('input:not([hidden]), textarea, select')?.focus();
    }
    return () => dialog?.close();
  }, []);
  return (
    <dialog
      ref={ref}
      aria-label={title}
      onCancel={(event) => {
        event.preventDefault();
        onClose();
      }}
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
        <Row justifyContent="space-between" gap="$3">
          <Heading>{title}</Heading>
          <Button plain dense onPress={onClose}>
            Close
          </Button>
        </Row>
        {children}
      </View>
    </dialog>
  );
}
