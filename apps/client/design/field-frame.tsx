import { styled, View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { usePageTitle } from './page-title.ts';

const Page = styled(View, {
  flex: 1,
  width: '100%',
  alignSelf: 'center',
  backgroundColor: '$paper',
  height: '100%',
});

/** As wide as one hand holds; with something beside it, as wide as the screen. */
const ONE_HAND = 620;
const TWO_SIDES = 1240;

export interface FieldPageProps {
  /** What the window is called. */
  readonly title?: string;
  /** More than one column stands side by side. */
  readonly wide?: boolean;
  readonly children?: ReactNode;
}

/** A page in the field: as high as the phone. */
export function FieldPage({ title, wide = false, children }: FieldPageProps) {
  usePageTitle(title);
  return (
    <Page className="field-page" maxWidth={wide ? TWO_SIDES : ONE_HAND}>
      {children}
    </Page>
  );
}

export const FieldHead = styled(View, {
  render: 'header',
  className: 'field-head',
  paddingHorizontal: '$4',
  paddingTop: '$3',
  paddingBottom: '$2',
});

/** Where the one next step stands, within reach of the thumb. */
export const FieldFoot = styled(View, {
  render: 'footer',
  className: 'field-foot',
  backgroundColor: '$sheet',
  borderTopWidth: 1,
  borderColor: '$rule',
});
