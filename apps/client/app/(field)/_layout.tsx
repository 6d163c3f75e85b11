import { lazy, Suspense } from 'react';

// The router loads every layout at once; only behind this is a face loaded when it is needed.
const Face = lazy(() => import('@/faces/field.tsx'));

export default function Layout() {
  return (
    <Suspense fallback={null}>
      <Face />
    </Suspense>
  );
}
