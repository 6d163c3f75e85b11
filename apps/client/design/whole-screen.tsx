import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { useModal } from './use-modal.ts';

interface WholeScreenProps {
  readonly title: string;
  /** By Escape, or the phone's own way back. */
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/**
 * Takes the whole screen for as long as it is open, over the page it belongs to. What is entered in it
 * is kept as it is entered: leaving it asks nothing.
 */
export function WholeScreen({ title, onClose, children }: WholeScreenProps) {
  const { ref, onPress } = useModal();
  return (
    <dialog
      ref={ref}
      aria-label={title}
      className="whole-screen"
      onCancel={(event) => {
        event.preventDefault();
        onClose();
      }}
      // Pressed once more Escape closes it whatever the page says: who has to mend something first stays.
      onClose={() => ref.current?.showModal()}
      onClickCapture={onPress}
    >
      <View backgroundColor="$paper" flex={1} minHeight={0} height="100%">
        {children}
      </View>
    </dialog>
  );
}
