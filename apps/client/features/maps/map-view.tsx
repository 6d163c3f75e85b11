import type { MapLayer } from '@ant-trail/contract/maps';
import { View } from '@tamagui/core';
import { useEffect, useRef, type CSSProperties } from 'react';
import 'leaflet/dist/leaflet.css';
import { Column } from '@/design/box.tsx';
import { Button, type ButtonProps } from '@/design/button.tsx';
import { PALETTES, type Palette } from '@/design/palettes.ts';
import { useThemeName } from '@/design/provider.tsx';
import { MapSheet, type Here } from './map-sheet.ts';
import type { Plot } from './plots.ts';
import type { Spot } from './spot-face.ts';
import './map.css';

const NO_PLOTS: readonly Plot[] = [];

export interface MapViewProps {
  readonly label: string;
  readonly layers: readonly MapLayer[];
  /** The same list as long as the spots are the same. */
  readonly spots: readonly Spot[];
  /** Pieces of ground that can be chosen; the same list as long as they are the same. */
  readonly plots?: readonly Plot[] | undefined;
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  readonly here?: Here | null;
  /** A way to be seen above all else: positions as in GeoJSON. */
  readonly way?: readonly (readonly [number, number])[] | null;
  /** Finds out where the device is; where left out, that can't be asked. */
  readonly onWhere?: () => void;
}

/** The tones the spots are drawn in, for the style sheet. */
const toneVars = (palette: Palette): CSSProperties =>
  Object.fromEntries(Object.entries(palette).map(([tone, value]) => [`--map-${tone}`, value]));

/** The map of the organisation, with what can be chosen on it; the same at the desk and on the phone. */
export function MapView(props: MapViewProps) {
  const {
    label,
    layers,
    spots,
    plots = NO_PLOTS,
    chosen,
    onChoose,
    here = null,
    way = null,
    onWhere,
  } = props;
  const element = useRef<HTMLDivElement>(null);
  const sheet = useRef<MapSheet | null>(null);
  const choose = useRef(onChoose);
  const palette = PALETTES[useThemeName()];
  useEffect(() => {
    choose.current = onChoose;
  }, [onChoose]);
  useEffect(() => {
    if (!element.current) return;
    const made = new MapSheet(element.current, (id) => choose.current(id));
    sheet.current = made;
    const watcher = new ResizeObserver(() => made.fit());
    watcher.observe(element.current);
    return () => {
      watcher.disconnect();
      made.destroy();
      sheet.current = null;
    };
  }, []);
  useEffect(() => sheet.current?.setLayers(layers, palette), [layers, palette]);
  useEffect(() => sheet.current?.setPlots(plots, chosen, palette), [plots, chosen, palette]);
  useEffect(() => sheet.current?.setSpots(spots, chosen), [spots, chosen]);
  useEffect(() => sheet.current?.setHere(here, palette), [here, palette]);
  useEffect(() => sheet.current?.setWay(way, palette), [way, palette]);
  useEffect(() => {
    if (here && !way) sheet.current?.lookAt(here);
  }, [here, way]);
  return (
    <View flex={1} minHeight={0} position="relative">
      <div
        ref={element}
        role="region"
        aria-label={label}
        className="map"
        style={{
          position: 'absolute',
          inset: 0,
          background: palette.lakeGround,
          ...toneVars(palette),
        }}
      />
      <Column position="absolute" right={12} top={12} gap="$2" zIndex={500}>
        <OnMap label="Closer" onPress={() => sheet.current?.closer(1)}>
          +
        </OnMap>
        <OnMap label="Further away" onPress={() => sheet.current?.closer(-1)}>
          −
        </OnMap>
        <OnMap onPress={() => sheet.current?.showAll()}>All</OnMap>
        {onWhere ? <OnMap onPress={onWhere}>Here</OnMap> : null}
      </Column>
    </View>
  );
}

/** A button over the map: nothing of the map shows through it. */
const OnMap = (props: ButtonProps) => (
  <View
    backgroundColor="$sheet"
    borderTopLeftRadius="$sharp"
    borderTopRightRadius="$leaf"
    borderBottomRightRadius="$leaf"
    borderBottomLeftRadius="$leaf"
  >
    <Button dense {...props} />
  </View>
);
