import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import type { KitPartProps } from '@/features/trades/part.ts';

const FROST = -5;

/** Offers the outside temperature that huts are reckoned with, and draws what is lost as a bar. */
export default function WallPart({ state, locked, answer }: KitPartProps) {
  const loss = state.reckoned.find(({ name }) => name === 'wallLoss')?.value;
  return (
    <Column gap="$2" padding="$3" role="group" aria-label="Walls">
      <Body small>
        {typeof loss === 'number' ? `Now ${Math.round(loss)} W go out` : 'No wall yet'}
      </Body>
      <Button dense disabled={locked} onPress={() => void answer('outside', FROST, 'Cel')}>
        Reckon with frost
      </Button>
    </Column>
  );
}
