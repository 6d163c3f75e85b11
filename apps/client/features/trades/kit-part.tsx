import { lazy, Suspense } from 'react';
import { TroubleBoundary } from '@/design/trouble-boundary.tsx';
import { KIT_PARTS } from './kit-parts.ts';
import type { KitPartProps } from './part.ts';

/** Each kit's parts, brought when a sheet needs them. */
const PARTS = KIT_PARTS.map(({ load, ...where }) => ({ ...where, Part: lazy(load) }));

interface Props extends KitPartProps {
  readonly kit: string | undefined;
  readonly isFirst: boolean;
}

/** What a sheet's kit adds to the capture screen; nothing for a sheet without one. */
export function KitPart({ kit, isFirst, ...props }: Props) {
  const shown = PARTS.find(
    (part) => part.kit === kit && (part.sections?.includes(props.section) ?? isFirst),
  );
  if (!shown) return null;
  const { Part } = shown;
  return (
    <TroubleBoundary comfort="The questions below work without this part.">
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    </TroubleBoundary>
  );
}
