import type { SketchPlace } from '@ant-trail/core/trades/mark';
import { useTheme } from '@tamagui/core';

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
  const theme = useTheme();
  const isAmiss = standing === 'needs eyes';
  const ink = isAmiss ? theme.clay.get() : theme.ink.get();
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
        outline: isChosen ? `3px solid ${theme.lake.get()}` : undefined,
        background: standing === 'not tried' ? theme.sheet.get() : ink,
        color: standing === 'not tried' ? ink : theme.sheet.get(),
        fontSize: 11,
        fontWeight: 700,
        cursor: 'pointer',
      }}
    >
      {number}
    </button>
  );
}
