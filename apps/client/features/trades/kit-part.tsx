import { lazy, Suspense, type ComponentType } from 'react';
import { TroubleBoundary } from '@/design/trouble-boundary.tsx';
import { KIT_PARTS } from './kit-parts.ts';
import type { KitPartProps } from './part.ts';

/** Each kit's part, brought when a sheet needs it. */
const PARTS: ReadonlyMap<string, ComponentType<KitPartProps>> = new Map(
  KIT_PARTS.map(({ kit, load }) => [kit, lazy(load)]),
);

/** What a sheet's kit adds to the capture screen; nothing for a sheet without one. */
export function KitPart({ kit, ...props }: KitPartProps & { readonly kit: string | undefined }) {
  const Part = kit === undefined ? undefined : PARTS.get(kit);
  if (!Part) return null;
  return (
    <TroubleBoundary comfort="The questions below work without this part.">
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    </TroubleBoundary>
  );
}
