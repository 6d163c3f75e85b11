import { lazy, Suspense, type ComponentType } from 'react';
import { TroubleBoundary } from '@/design/trouble-boundary.tsx';
import { KIT_PARTS } from './kit-parts.ts';
import type { KitPartProps } from './part.ts';

/** Each kit's part, brought when a sheet needs it. */
const PARTS: ReadonlyMap<string, Shown> = new Map(
  KIT_PARTS.map(({ kit, sections, load }) => [kit, { sections, Part: lazy(load) }]),
);

interface Shown {
  readonly sections: readonly string[] | undefined;
  readonly Part: ComponentType<KitPartProps>;
}

interface Props extends KitPartProps {
  readonly kit: string | undefined;
  readonly isFirst: boolean;
}

/** What a sheet's kit adds to the capture screen; nothing for a sheet without one. */
export function KitPart({ kit, isFirst, ...props }: Props) {
  const shown = kit === undefined ? undefined : PARTS.get(kit);
  if (!shown || !(shown.sections?.includes(props.section) ?? isFirst)) return null;
  const { Part } = shown;
  return (
    <TroubleBoundary comfort="The questions below work without this part.">
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    </TroubleBoundary>
  );
}
