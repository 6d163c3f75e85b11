import { lazy, Suspense } from 'react';
import { View } from '@tamagui/core';
import { Body } from '@/design/text.tsx';
import type { MapViewProps } from './map-view.tsx';

const Drawn = lazy(async () => ({ default: (await import('./map-view.tsx')).MapView }));

/** The map; its library comes with the first one that is looked at. */
export const LazyMap = (props: MapViewProps) => (
  <Suspense
    fallback={
      <View flex={1} alignItems="center" justifyContent="center">
        <Body quiet>Unfolding the map …</Body>
      </View>
    }
  >
    <Drawn {...props} />
  </Suspense>
);
