let pointedAt = -Infinity;
const heard = (): void => {
  pointedAt = performance.now();
};

/** Hears fingers and mice from now on, until it is told that it need not any more. */
export function hearPointers(): () => void {
  addEventListener('pointerup', heard, true);
  return () => removeEventListener('pointerup', heard, true);
}

/**
 * Whether what happens now comes from a finger or a mouse. A page moves by itself only then: under
 * the keys, and before who does not see it, it stays where it is (WCAG 2.2, 3.2.2).
 */
export const isPointed = (): boolean => performance.now() - pointedAt < 200;
