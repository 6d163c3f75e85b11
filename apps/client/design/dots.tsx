import { styled, View } from '@tamagui/core';

/** The trail as a divider: dots one after the other. */
export const Dots = styled(View, {
  height: 0,
  borderWidth: 0,
  alignSelf: 'stretch',
  borderTopWidth: 3,
  borderTopColor: '$trail',
  borderStyle: 'dotted',
  variants: { ahead: { true: { borderTopColor: '$sand' } } } as const,
});
