import { Redirect } from 'expo-router';
import { lazy, Suspense } from 'react';

declare const __DEV__: boolean;

const Parts = lazy(async () =>
  __DEV__
    ? { default: (await import('@/design/parts-page.tsx')).PartsPage }
    : { default: () => <Redirect href="/" /> },
);

/** For looking at while developing (`npm run dev`); what is served has no such page. */
export default function PartsRoute() {
  return (
    <Suspense fallback={null}>
      <Parts />
    </Suspense>
  );
}
