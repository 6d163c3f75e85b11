import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { Column, Scroll } from '@/design/box.tsx';
import { Brand } from '@/design/brand.tsx';
import { Dots } from '@/design/dots.tsx';
import { Notice } from '@/design/notice.tsx';
import { Title } from '@/design/text.tsx';

/** The page before one is signed in. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Scroll render="main" id="main" backgroundColor="$paper">
      <View flex={1} alignItems="center" padding="$4" paddingTop="$7">
        <Column width="100%" maxWidth={400} gap="$4">
          <Brand />
          <Dots />
          <Title>{title}</Title>
          {children}
        </Column>
      </View>
    </Scroll>
  );
}

/** Why one is not let in. */
export const DoorProblem = ({ words }: { words: string | null }) =>
  words === null ? null : (
    <Notice tone="eyes" mark="needs eyes" alert>
      {words}
    </Notice>
  );
