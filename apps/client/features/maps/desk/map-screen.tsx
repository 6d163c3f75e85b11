import { MapAnswer, MapPointsAnswer } from '@ant-trail/contract/maps';
import { ShapesAnswer } from '@ant-trail/contract/register';
import { DayAnswer } from '@ant-trail/contract/planning/desk';
import { may } from '@ant-trail/core/accounts';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button, OutsideLink } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { usePageTitle } from '@/design/page-title.ts';
import { PressableRow } from '@/design/pressable-row.tsx';
import { useTwoSides } from '@/design/sides.ts';
import { Body, Title } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { LazyMap } from '../lazy-map.tsx';
import { plotsOf } from '../plots.ts';
import { EnterPlot } from './enter-plot.tsx';
import { LayersDialog } from './layers-dialog.tsx';
import { fitting, linesOf, linesOfDay } from './map-lines.ts';
import { linesOfPlots } from './plot-lines.ts';

const WHAT = [
  { value: 'places', label: 'Places' },
  { value: 'today', label: 'Today’s stops' },
  { value: 'plots', label: 'Plots' },
] as const;

/** So many stand in the list beside the map; whoever seeks among more writes a name. */
const LISTED = 120;

/** Where everything lies: all places, or today's stops. */
export function MapScreen() {
  usePageTitle('Map');
  const { person, organisation } = useMe();
  const { day } = useNow(organisation.timeZone);
  const params = useLocalSearchParams<{ what?: string; place?: string }>();
  const router = useRouter();
  const twoSides = useTwoSides();
  const people = usePeople();
  const what = WHAT.find(({ value }) => value === params.what)?.value ?? 'places';
  const [words, setWords] = useState('');
  const [layersOpen, setLayersOpen] = useState(false);
  const [entering, setEntering] = useState(false);
  const shapes = useOffice(ShapesAnswer, '/api/shapes', ['asset']);
  const map = useOffice(MapAnswer, '/api/map', ['map']);
  const places = useOffice(MapPointsAnswer, '/api/map/places', ['site']).answer?.points;
  const cards = useOffice(DayAnswer, what === 'today' ? `/api/day?day=${day}` : null, ['visit'])
    .answer?.cards;
  const names = useMemo(
    () => new Map(people.list.map(({ id, name }) => [id, name])),
    [people.list],
  );
  const plots = useMemo(
    () => plotsOf(map.answer?.layers ?? NO_LAYERS, shapes.answer?.shapes ?? []),
    [map.answer, shapes.answer],
  );
  const lines = useMemo(() => {
    if (what === 'plots') return fitting(linesOfPlots(plots), words);
    return fitting(
      what === 'today' ? linesOfDay(cards ?? [], places ?? [], names) : linesOf(places ?? []),
      words,
    );
  }, [what, cards, places, names, words, plots]);
  const spots = useMemo(() => lines.map(({ spot }) => spot), [lines]);
  const chosen = lines.find(({ spot }) => spot.id === params.place);
  const plot = plots.find(({ id }) => id === chosen?.spot.id);
  // A piece of ground is pressed whatever is listed beside the map.
  const choose = (id: string | undefined): void =>
    router.setParams({
      place: id,
      ...(plots.some((each) => each.id === id) ? { what: 'plots' } : {}),
    });
  return (
    <Row
      render="main"
      id="main"
      flex={1}
      minHeight={0}
      alignItems="stretch"
      flexDirection={twoSides ? 'row' : 'column'}
    >
      <Column
        {...(twoSides ? { width: 320, flexShrink: 0, borderRightWidth: 1 } : { maxHeight: '45%' })}
        borderColor="$rule"
        minHeight={0}
      >
        <Column padding="$4" gap="$3">
          <Row justifyContent="space-between">
            <Title>Map</Title>
            {may(person.roles, 'keep places') ? (
              <Button dense onPress={() => setLayersOpen(true)}>
                Layers
              </Button>
            ) : null}
          </Row>
          <Segments
            label="What is shown"
            options={WHAT}
            chosen={[what]}
            onPress={(next) => router.setParams({ what: next, place: undefined })}
          />
          <Input label={SOUGHT[what]} value={words} onChange={setWords} />
        </Column>
        {chosen ? (
          <Column paddingHorizontal="$4" paddingBottom="$3" gap="$2">
            <Body strong>{chosen.spot.name}</Body>
            <Body small quiet>
              {chosen.about}
            </Body>
            <Row gap="$2" flexWrap="wrap">
              {chosen.site ? (
                <Button
                  dense
                  onPress={() =>
                    router.navigate(
                      `/places/${chosen.site}${plot?.thing ? `?thing=${plot.thing.id}` : ''}`,
                    )
                  }
                >
                  {plot ? 'Look at the thing' : 'Look at the place'}
                </Button>
              ) : null}
              {plot?.thing === null && may(person.roles, 'keep places') ? (
                <Button dense onPress={() => setEntering(true)}>
                  Enter it in the register
                </Button>
              ) : null}
              <Column flexShrink={0}>
                <OutsideLink href={`geo:${chosen.spot.lat},${chosen.spot.lon}`}>
                  In another map
                </OutsideLink>
              </Column>
              <Button dense plain onPress={() => choose(undefined)}>
                Back to the list
              </Button>
            </Row>
          </Column>
        ) : (
          <Scroll render="section" aria-label="What is on the map">
            {lines.slice(0, LISTED).map(({ spot, about }) => (
              <PressableRow
                key={spot.id}
                paddingHorizontal="$4"
                paddingVertical="$2"
                justifyContent="center"
                gap={0}
                onPress={() => choose(spot.id)}
              >
                <Body small strong>
                  {spot.mark ? `${spot.mark} · ${spot.name}` : spot.name}
                </Body>
                <Body small quiet>
                  {about}
                </Body>
              </PressableRow>
            ))}
            <Column padding="$4">
              <Body small quiet>
                {lines.length === 0 && words === ''
                  ? NOTHING[what]
                  : sayCount(lines.length, NAMES[what])}
              </Body>
            </Column>
          </Scroll>
        )}
      </Column>
      <View flex={1} minHeight={0} minWidth={0}>
        <LazyMap
          label="The map"
          layers={map.answer?.layers ?? NO_LAYERS}
          spots={spots}
          plots={plots}
          chosen={chosen?.spot.id ?? null}
          onChoose={choose}
        />
      </View>
      {entering && plot ? (
        <EnterPlot
          plot={plot}
          places={places ?? []}
          onClose={() => setEntering(false)}
          onEntered={() => {
            shapes.again();
            choose(undefined);
          }}
        />
      ) : null}
      {layersOpen ? (
        <LayersDialog
          layers={map.answer?.layers ?? NO_LAYERS}
          onChanged={map.again}
          onClose={() => setLayersOpen(false)}
        />
      ) : null}
    </Row>
  );
}

const NO_LAYERS = [] as const;

type What = (typeof WHAT)[number]['value'];

const SOUGHT: Readonly<Record<What, string>> = {
  ...{ places: 'Place or client', today: 'Place or person', plots: 'Plot or place' },
};

const NAMES: Readonly<Record<What, readonly [string, string]>> = {
  ...{ places: ['place', 'places'], today: ['stop', 'stops'], plots: ['plot', 'plots'] },
};

/** What is said where there is none at all. */
const NOTHING: Readonly<Record<What, string>> = {
  ...{ places: 'No place is on the map yet.', today: 'Nobody goes anywhere today.' },
  plots: 'No layer has pieces of ground that could be plots: add one under “Layers”.',
};

function sayCount(count: number, [one, many]: readonly [string, string]): string {
  const rest = count - LISTED;
  if (rest > 0) return `${rest} more are on the map. Write a part of the name.`;
  if (count === 0) return `No ${one} fits.`;
  return count === 1 ? `One ${one}.` : `${count} ${many}.`;
}
