import { useHotkeys } from 'react-hotkeys-hook';
import { useSetting } from '@/device/settings.ts';

/**
 * A single key that does something on this page. It rests while anything is typed, while a dialog is
 * open, with any other key held, and where it is turned off (WCAG 2.1.4); held down it acts once, and
 * the letter does not land in the field it opens.
 */
export function useShortcut(key: string, act: () => unknown, enabled = true): void {
  const on = useSetting('singleKeys') === 'on';
  useHotkeys(
    key,
    (event) => {
      if (event.repeat || document.querySelector('dialog[open]')) return;
      const target = event.target as HTMLElement | null;
      // Space belongs to the button it presses.
      if (key === 'space' && target?.closest('button, a')) return;
      event.preventDefault();
      act();
    },
    { enabled: enabled && on, useKey: key.length === 1 },
  );
}
