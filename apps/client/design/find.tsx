import { lazy, Suspense } from 'react';
import type { FindOption, FindProps } from './find-box.tsx';
import { Input } from './input.tsx';

export type { FindOption, FindProps } from './find-box.tsx';

// Both faces look for things, and neither on its first screen.
const FindBox = lazy(async () => {
  const { FindBox: Loaded } = await import('./find-box.tsx');
  return { default: Loaded };
});

/** One out of thousands: written in part, chosen from what fits. By hand or by the keyboard alone. */
export const Find = (props: FindProps) => (
  <Suspense
    fallback={
      <Input label={props.label} value={props.chosen?.label ?? ''} onChange={() => undefined} />
    }
  >
    <FindBox {...props} />
  </Suspense>
);

/** What fits the words out of a list that is at hand, each word anywhere in it. */
export function fitting(options: readonly FindOption[], words: string): FindOption[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return options.filter(({ label, about = '' }) => {
    const text = `${label} ${about}`.toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
}
