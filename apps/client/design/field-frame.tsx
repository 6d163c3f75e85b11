import { styled, View } from '@tamagui/core';

/** A page in the field: as high as the phone, as wide as a phone at most. */
export const FieldPage = styled(View, {
  flex: 1,
  width: '100%',
  maxWidth: 620,
  alignSelf: 'center',
  backgroundColor: '$paper',
  height: '100%',
});

export const FieldHead = styled(View, {
  render: 'header',
  paddingHorizontal: '$4',
  paddingTop: '$3',
  paddingBottom: '$2',
});

/** Where the one next step stands, within reach of the thumb. */
export const FieldFoot = styled(View, {
  render: 'footer',
  backgroundColor: '$sheet',
  borderTopWidth: 1,
  borderColor: '$rule',
});
