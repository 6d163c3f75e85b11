import type { SketchPlace } from '@ant-trail/core/trades/mark';
import { PALETTES } from '@/design/palettes.ts';

/** A plan is drawn on white whatever the theme, and so is what lies on it. */
const PAPER = PALETTES.light;
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
  const ink = isAmiss ? PAPER.clay : PAPER.ink;
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
        position: 'absolute',
        left: `calc(${mark.x * 100}% - ${SIZE / 2}px)`,
        top: `calc(${mark.y * 100}% - ${SIZE / 2}px)`,
        width: SIZE,
        height: SIZE,
        padding: 0,
        display: 'grid',
        placeItems: 'center',
        borderRadius: isAmiss ? '2px 50% 50% 50%' : '50%',
        border: `2px solid ${ink}`,
        outline: isChosen ? `3px solid ${PAPER.lake}` : undefined,
        background: standing === 'not tried' ? PAPER.sheet : ink,
        color: standing === 'not tried' ? ink : PAPER.sheet,
        fontSize: 11,
        fontWeight: 700,
        cursor: 'pointer',
      }}
    >
      {number}
    </button>
  );
}
