import { lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { TroubleBoundary } from '@/design/trouble-boundary.tsx';
import { KIT_ROWS } from './kit-parts.ts';
import type { KitRowsProps } from './part.ts';

/** Each kit's own way, brought when a sheet needs it. */
const WAYS: ReadonlyMap<string, ComponentType<KitRowsProps>> = new Map(
  KIT_ROWS.map(({ kit, rows, load }) => [`${kit} ${rows}`, lazy(load)]),
);

interface Props extends KitRowsProps {
  readonly kit: string | undefined;
  /** The rows one below the other, as any group has them. */
  readonly children: ReactNode;
}

/** A group of rows as its kit shows it, or one below the other: whoever fills it in has the choice. */
export function KitRows({ kit, children, ...props }: Props) {
  const [plain, setPlain] = useState(false);
  const Way = WAYS.get(`${kit ?? ''} ${props.state.path}`);
  if (!Way) return children;
  return (
    <Column gap="$3">
      {plain ? (
        children
      ) : (
        <TroubleBoundary comfort="The same is asked one below the other.">
          <Suspense fallback={null}>
            <Way {...props} />
          </Suspense>
        </TroubleBoundary>
      )}
      <Row>
        <Button dense plain onPress={() => setPlain(!plain)}>
          {plain ? 'At a glance' : 'One below the other'}
        </Button>
      </Row>
    </Column>
  );
}
