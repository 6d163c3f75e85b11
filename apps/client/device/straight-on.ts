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
