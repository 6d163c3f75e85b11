import { create } from 'zustand';

const KEPT = 'ant-trail.straight-on';

interface StraightOn {
  /** Whether what comes next comes by itself: turned off by whoever wants the page to stand still. */
  readonly on: boolean;
  readonly turn: (on: boolean) => void;
}

export const useStraightOn = create<StraightOn>((set) => ({
  on: globalThis.localStorage?.getItem(KEPT) !== 'off',
  turn: (on) => {
    localStorage.setItem(KEPT, on ? 'on' : 'off');
    set({ on });
  },
}));

let pointedAt = -Infinity;
globalThis.addEventListener?.(
  'pointerup',
  () => {
    pointedAt = performance.now();
  },
  true,
);

/**
 * Whether what happens now comes from a finger or a mouse. A page moves by itself only then: under
 * the keys, and before who does not see it, it stays where it is (WCAG 2.2, 3.2.2).
 */
export const isPointed = (): boolean => performance.now() - pointedAt < 200;
