import { View } from '@tamagui/core';
import { Body } from './text.tsx';

/** Something that is so or not. */
export function Tick(props: {
  readonly label: string;
  readonly on: boolean;
  readonly onPress: () => void;
}) {
  const { label, on, onPress } = props;
  return (
    <View
      render="button"
      role="checkbox"
      aria-checked={on}
      aria-label={label}
      flexDirection="row"
      alignItems="center"
      gap="$2"
      minHeight={44}
      cursor="pointer"
      onPress={onPress}
    >
      <Body aria-hidden width={20}>
        {on ? '■' : '▢'}
      </Body>
      <Body small>{label}</Body>
    </View>
  );
}
