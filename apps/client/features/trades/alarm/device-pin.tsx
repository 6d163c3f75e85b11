import type { SketchPlace } from '@ant-trail/core/trades/mark';
import { ON_PAPER, pinAt } from '../pin.ts';

/** As large as a finger needs at least. */
const SIZE = 24;

interface DevicePinProps {
  readonly name: string;
  readonly number: number;
  readonly mark: SketchPlace;
  readonly standing: 'passed' | 'needs eyes' | 'not tried';
  readonly isChosen: boolean;
  readonly onPress: () => void;
}

/** A device where it hangs: filled once it passed, pointed where it needs eyes. */
export function DevicePin(props: DevicePinProps) {
  const { name, number, mark, standing, isChosen, onPress } = props;
  const isAmiss = standing === 'needs eyes';
  const ink = isAmiss ? ON_PAPER.clay : ON_PAPER.ink;
  return (
    <button
      type="button"
      aria-label={`${name}, ${standing}`}
      onClick={(event) => {
        // It is this device that is meant, not the place under it.
        event.stopPropagation();
        onPress();
      }}
      style={{
        ...pinAt(mark, SIZE),
        padding: 0,
        borderRadius: isAmiss ? '2px 50% 50% 50%' : '50%',
        border: `2px solid ${ink}`,
        outline: isChosen ? `3px solid ${ON_PAPER.lake}` : undefined,
        background: standing === 'not tried' ? ON_PAPER.sheet : ink,
        color: standing === 'not tried' ? ink : ON_PAPER.sheet,
        fontSize: 11,
        cursor: 'pointer',
      }}
    >
      {number}
    </button>
  );
}
