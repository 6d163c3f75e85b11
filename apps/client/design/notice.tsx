import { styled, View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { Mark, type MarkName } from './mark.tsx';
import { Body } from './text.tsx';

const Ground = styled(View, {
  flexDirection: 'row',
  alignItems: 'flex-start',
  gap: '$3',
  padding: '$3',
  borderLeftWidth: 5,
  variants: {
    tone: {
      eyes: { backgroundColor: '$clayGround', borderColor: '$clay' },
      info: { backgroundColor: '$lakeGround', borderColor: '$lake' },
    },
  } as const,
});

export interface NoticeProps {
  readonly tone: 'eyes' | 'info';
  readonly mark?: MarkName;
  readonly children: ReactNode;
  readonly alert?: boolean;
}

/** Something the person has to know before going on. */
export function Notice({ tone, mark, children, alert }: NoticeProps) {
  return (
    <Ground tone={tone} role={alert ? 'alert' : undefined}>
      {mark ? <Mark name={mark} silent /> : null}
      <Body flex={1} color={tone === 'eyes' ? '$clay' : '$lake'} strong>
        {children}
      </Body>
    </Ground>
  );
}
