import { create } from 'zustand';

const KEPT = 'ant-trail.single-keys';

interface Shortcuts {
  /** Whether single letters do something: who speaks to the computer, or rests a hand on it, turns them off. */
  readonly on: boolean;
  readonly turn: (on: boolean) => void;
}

export const useShortcuts = create<Shortcuts>((set) => ({
  on: globalThis.localStorage?.getItem(KEPT) !== 'off',
  turn: (on) => {
    localStorage.setItem(KEPT, on ? 'on' : 'off');
    set({ on });
  },
}));
