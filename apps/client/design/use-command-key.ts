import { useHotkeys } from 'react-hotkeys-hook';

/**
 * A key held with others that does something wherever one is, also while typing. Fields keep their
 * keys to themselves: this one is heard on its way down.
 */
export function useCommandKey(keys: string, act: () => unknown): void {
  useHotkeys(keys, () => void act(), {
    ...{ preventDefault: true, enableOnFormTags: true, enableOnContentEditable: true },
    eventListenerOptions: { capture: true },
  });
}
