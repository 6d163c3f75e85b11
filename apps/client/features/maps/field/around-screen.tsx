import type { Asset, PlacedShape } from '@ant-trail/contract/register';
import { distanceMetres, sayDistance } from '@ant-trail/core/geo';
import { layersInOrder } from '@ant-trail/core/maps';
import { hazardsOn } from '@ant-trail/core/planning';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button, OutsideLink } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Hazards } from '@/design/hazards.tsx';
import { Body, Title } from '@/design/text.tsx';
import { currentFix } from '@/device/position.ts';
import { useLive } from '@/device/use-live.ts';
import { useTrail } from '@/features/planning/field/use-trail.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { LazyMap } from '../lazy-map.tsx';
import type { Here } from '../map-sheet.ts';
import { plotsOf, sayArea } from '../plots.ts';
import type { Spot } from '../spot-face.ts';

const NO_LAYERS = [] as const;

/** What phones of before kept says nothing of a shape. */
const isOnMap = ({ retired, shape }: Partial<Asset>): boolean => !retired && Boolean(shape);

/** What lies around: today's stops in their order, the places of one's branch, and where one is oneself. */
export function AroundScreen() {
  const { store } = usePhone();
  const router = useRouter();
  const { day, trail } = useTrail(0);
  const layers = useLive(() => store.mapLayers.toArray(), [store]);
  const sites = useLive(() => store.sites.toArray(), [store]);
  const [chosen, setChosen] = useState<string | null>(null);
  const [here, setHere] = useState<Here | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const drawn = useMemo(() => layersInOrder(layers ?? []), [layers]);
  const stops = trail?.stops;
  const spots = useMemo((): Spot[] => {
    const numbers = new Map<string, string>();
    const done = new Set<string>();
    for (const [index, { site, step }] of (stops ?? []).entries()) {
      numbers.set(site.id, [numbers.get(site.id), index + 1].filter(Boolean).join(' '));
      if (step === 'nothing') done.add(site.id);
      else done.delete(site.id);
    }
    return (sites ?? [])
      .filter(({ id, retired }) => !retired || numbers.has(id))
      .map(({ id, name, lat, lon }) => {
        const mark = numbers.get(id);
        const tone = mark === undefined ? 'place' : done.has(id) ? 'done' : 'stop';
        return { id, name, lat, lon, tone, ...(mark === undefined ? {} : { mark }) };
      });
  }, [sites, stops]);
  const things = useLive(() => store.assets.filter(isOnMap).toArray(), [store]);
  const plots = useMemo(() => {
    const names = new Map(sites?.map(({ id, name }) => [id, name]));
    const placed = (things ?? []).flatMap((thing): PlacedShape[] =>
      thing.shape ? [{ ...thing, shape: thing.shape, siteName: names.get(thing.site) ?? '' }] : [],
    );
    return plotsOf(layers ?? [], placed);
  }, [layers, things, sites]);
  const plot = plots.find(({ id }) => id === chosen);
  const site = sites?.find(({ id }) => id === chosen);
  const stop = stops?.find((each) => each.site.id === chosen);
  const look = async (): Promise<void> => {
    setSaid('Looking where you are …');
    const fix = await currentFix();
    setSaid(fix ? null : 'Your phone can’t tell where it is.');
    if (fix) setHere(fix);
  };
  useEffect(() => {
    // What is said of a chosen place takes the room of anything else.
    if (chosen) setSaid(null);
  }, [chosen]);
  return (
    <FieldPage title="Map">
      <FieldHead>
        <Row className="to-hand" justifyContent="space-between" gap="$2">
          <Title>Map</Title>
          <Button plain dense onPress={() => router.navigate('/find')}>
            ‹ Find
          </Button>
        </Row>
      </FieldHead>
      <Column flex={1} minHeight={0} render="main" id="main">
        <LazyMap
          label="What lies around"
          layers={layers ? drawn : NO_LAYERS}
          spots={spots}
          plots={plots}
          chosen={chosen}
          onChoose={setChosen}
          here={here}
          onWhere={() => void look()}
        />
        {said ? (
          <Column padding="$4" role="status">
            <Body small>{said}</Body>
          </Column>
        ) : null}
        {plot ? (
          <Column role="status" padding="$4" gap="$2">
            <Body strong>{plot.name}</Body>
            <Body small quiet>
              {[
                plot.thing ? `${plot.thing.kind} · ${plot.thing.siteName}` : 'not in the register',
                sayArea(plot.shape),
              ]
                .filter(Boolean)
                .join(' · ')}
            </Body>
            <Row gap="$2" flexWrap="wrap">
              {plot.thing ? (
                <Button main dense onPress={() => router.navigate(`/thing/${plot.id}`)}>
                  Look at the thing
                </Button>
              ) : null}
              <Button plain dense onPress={() => setChosen(null)}>
                Close
              </Button>
            </Row>
          </Column>
        ) : null}
        {site ? (
          <Column role="status">
            <Hazards hazards={hazardsOn(site, day)} />
            <Column padding="$4" gap="$2">
              <Body strong>{site.name}</Body>
              <Body small quiet>
                {[
                  stop?.job.title,
                  site.client,
                  here ? `${sayDistance(distanceMetres(site, here))} from you` : '',
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Body>
              <Row gap="$2" flexWrap="wrap">
                {stop ? (
                  <Button main dense onPress={() => router.navigate(`/visit/${stop.visit.id}`)}>
                    Look at the stop
                  </Button>
                ) : null}
                <OutsideLink href={`geo:${site.lat},${site.lon}?q=${site.lat},${site.lon}`}>
                  Phone’s map
                </OutsideLink>
                <Button plain dense onPress={() => setChosen(null)}>
                  Close
                </Button>
              </Row>
            </Column>
          </Column>
        ) : null}
      </Column>
      <FieldFoot>
        <FieldNav />
      </FieldFoot>
    </FieldPage>
  );
}
