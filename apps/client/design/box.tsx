import { styled, View } from '@tamagui/core';

export const Column = styled(View, { flexDirection: 'column' });
export const Row = styled(View, { flexDirection: 'row', alignItems: 'center' });

/** Raised ground with the leaf corner: one sharp, three round. */
export const Leaf = styled(View, {
  backgroundColor: '$sheet',
  borderColor: '$rule',
  borderWidth: 1,
  borderTopLeftRadius: '$sharp',
  borderTopRightRadius: '$leaf',
  borderBottomRightRadius: '$leaf',
  borderBottomLeftRadius: '$leaf',
  variants: { strong: { true: { borderColor: '$ink', borderWidth: 2 } } } as const,
});

/** What scrolls: everything between a head and a bar. */
export const Scroll = styled(View, {
  flex: 1,
  minHeight: 0,
  // The browser's own scrolling, which keyboards and readers know.
  style: { overflowY: 'auto', overflowX: 'hidden', overscrollBehavior: 'contain' },
});

export const Rule = styled(View, { height: 1, backgroundColor: '$rule', alignSelf: 'stretch' });
