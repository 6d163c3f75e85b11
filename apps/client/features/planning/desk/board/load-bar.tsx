import type { Load } from '@ant-trail/core/planning/board';
import { View } from '@tamagui/core';

const WIDTH = 110;

/** How much of somebody's hours is taken; more than there are stands out. Its words stand beside it. */
export function LoadBar({ load, width = WIDTH }: { readonly load: Load; readonly width?: number }) {
  const { work, travel, hours } = load;
  if (hours === null || (hours === 0 && work === 0)) return null;
  const share = hours === 0 ? 2 : (work + travel) / hours;
  const over = share > 1;
  return (
    <View
      width={width}
      height={8}
      marginTop={4}
      borderRadius={4}
      borderWidth={1}
      borderColor="$sand"
      overflow="hidden"
      aria-hidden
    >
      <View
        width={Math.min(1, share) * (width - 2)}
        height={6}
        borderRadius={3}
        backgroundColor={over ? '$clay' : '$ink'}
      />
    </View>
  );
}
