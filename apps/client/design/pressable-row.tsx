import { styled, View } from '@tamagui/core';

/** A row of a list that opens something: a real button, as wide as the list. */
export const PressableRow = styled(View, {
  render: 'button',
  alignSelf: 'stretch',
  flexDirection: 'column',
  gap: '$1',
  minHeight: 48,
  backgroundColor: 'transparent',
  cursor: 'pointer',
  hoverStyle: { backgroundColor: '$touch' },
});
