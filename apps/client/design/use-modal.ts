import { useLayoutEffect, useRef, type MouseEvent, type RefObject } from 'react';
import { useHoldStill } from '@/device/hold-still.ts';
import { pressAt, swallowSecondTap, type Press } from './second-tap.ts';

interface Modal {
  readonly ref: RefObject<HTMLDialogElement | null>;
  /** Where it was pressed: the second tap of what closes it must not fall on what lies behind. */
  readonly onPress: (event: MouseEvent) => void;
  /** It is closed by a key: no tap follows. */
  readonly noPress: () => void;
}

/** The browser's own dialog, open for as long as it is drawn; `opened` hears of it once it is. */
export function useModal(opened?: (dialog: HTMLDialogElement) => void): Modal {
  const ref = useRef<HTMLDialogElement>(null);
  const pressed = useRef<Press | null>(null);
  const first = useRef(opened);
  useHoldStill();
  // Closed before it is taken out of the page: only then does the browser give the focus back.
  useLayoutEffect(() => {
    const dialog = ref.current;
    if (dialog && !dialog.open) {
      dialog.showModal();
      first.current?.(dialog);
    }
    return () => {
      dialog?.close();
      if (pressed.current) swallowSecondTap(pressed.current);
    };
  }, []);
  return {
    ref,
    onPress: (event) => {
      pressed.current = pressAt(event);
    },
    noPress: () => {
      pressed.current = null;
    },
  };
}
