import type { Site } from '@ant-trail/contract/sites';
import { sayLength, sayMinute } from '@ant-trail/core/calendar';
import { sayDistance, type Place } from '@ant-trail/core/geo';
import { layersInOrder } from '@ant-trail/core/maps';
import type { GoesBy, Way } from '@ant-trail/core/maps/ways';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button, OutsideLink } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Body, Figure, Title } from '@/design/text.tsx';
import { currentFix } from '@/device/position.ts';
import { useLive } from '@/device/use-live.ts';
import { useNow } from '@/device/use-now.ts';
import { useWays } from '@/device/use-ways.ts';
import { useMe } from '@/features/accounts/session.ts';
import { useTrail } from '@/features/planning/field/use-trail.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { LazyMap } from '../lazy-map.tsx';
import type { Here } from '../map-sheet.ts';
import type { Spot } from '../spot-face.ts';
import { sayLegs } from './way-words.ts';

const NO_LAYERS = [] as const;

/** Where somebody sets out from. */
interface Start extends Place {
  readonly name: string;
}

/** The way to a place along the map's own net, piece by piece, with no network. */
export function WayScreen() {
  const { site: id } = useLocalSearchParams<{ site: string }>();
  const { store } = usePhone();
  const site = useLive(async () => (await store.sites.get(id)) ?? null, [store, id]);
  const before = useStopBefore(id);
  if (site === undefined || before === undefined) return null;
  return (
    <FieldPage title="The way">
      {site ? (
        <WayTo key={id} site={site} before={before} />
      ) : (
        <Column padding="$4">
          <Body>This place is not on this phone.</Body>
        </Column>
      )}
    </FieldPage>
  );
}

/** The stop somebody comes from, by today's trail; null where it is the first, or none of today's. */
function useStopBefore(id: string): Start | null | undefined {
  const { trail } = useTrail(0);
  if (!trail) return undefined;
  const index = trail.stops.findLastIndex(({ site }) => site.id === id);
  return trail.stops[index - 1]?.site ?? null;
}

function WayTo({ site, before }: { readonly site: Site; readonly before: Start | null }) {
  const { store } = usePhone();
  const router = useRouter();
  const { organisation } = useMe();
  const { minute } = useNow(organisation.timeZone);
  const network = useWays(store);
  const layers = useLive(() => store.mapLayers.toArray(), [store]);
  const drawn = useMemo(() => layersInOrder(layers ?? []), [layers]);
  const [start, setStart] = useState<Start | null>(before);
  const [here, setHere] = useState<Here | null>(null);
  const [by, setBy] = useState<GoesBy>('vehicle');
  const [said, setSaid] = useState('');
  const [leaving] = useState(minute);
  const way = useMemo(
    () => (network && start ? network.way(start, site, by, leaving) : null),
    [network, start, site, by, leaving],
  );
  const spots = useMemo(
    (): Spot[] => [
      { id: site.id, name: site.name, lat: site.lat, lon: site.lon, tone: 'stop', mark: '' },
      ...(start && !here ? [{ id: 'start', ...spotOf(start), tone: 'done' as const }] : []),
    ],
    [site, start, here],
  );
  const line = useMemo(() => (way ? way.legs.flatMap((leg) => leg.line) : null), [way]);
  const fromHere = async (): Promise<void> => {
    setSaid('Looking where you are …');
    const fix = await currentFix();
    setSaid(fix ? '' : 'Your phone can’t tell where it is.');
    if (!fix) return;
    setHere(fix);
    setStart({ lat: fix.lat, lon: fix.lon, name: 'where you are' });
  };
  return (
    <>
      <FieldHead>
        <Row className="to-hand" justifyContent="space-between" gap="$2">
          <Column flex={1}>
            <Title>{site.name}</Title>
            {start ? (
              <Body small quiet>
                from {start.name}
              </Body>
            ) : null}
          </Column>
          <Column flexShrink={0}>
            <Button
              plain
              dense
              onPress={() => (router.canGoBack() ? router.back() : router.navigate('/trail'))}
            >
              ‹ Back
            </Button>
          </Column>
        </Row>
      </FieldHead>
      <Column flex={1} minHeight={0} render="main" id="main">
        <Column flex={1} minHeight={220}>
          <LazyMap
            label={`The way to ${site.name}`}
            layers={layers ? drawn : NO_LAYERS}
            spots={spots}
            chosen={null}
            onChoose={() => undefined}
            here={here}
            way={line}
          />
        </Column>
        <Scroll
          flexBasis="50%"
          flexGrow={0}
          flexShrink={1}
          tabIndex={0}
          aria-label="Piece by piece"
        >
          <Column padding="$4" gap="$3">
            <Segments<GoesBy>
              label="How you go"
              options={[
                { value: 'vehicle', label: 'With a vehicle' },
                { value: 'foot', label: 'On foot' },
              ]}
              chosen={[by]}
              onPress={(value) => setBy(value)}
            />
            <Column role="status">
              {said ? <Body small>{said}</Body> : null}
              {start === null ? (
                <Body>Nobody knows where you set out from: look where you are.</Body>
              ) : way ? (
                <Whole way={way} leaving={leaving} />
              ) : network === null ? null : (
                <Body>
                  The map knows no way there, or nothing goes any more today. “Phone’s map” may know
                  more.
                </Body>
              )}
            </Column>
            {way ? <Legs way={way} leaving={leaving} /> : null}
            <Row gap="$2" flexWrap="wrap">
              <Button dense onPress={() => void fromHere()}>
                From where I am
              </Button>
              <OutsideLink href={`geo:${site.lat},${site.lon}?q=${site.lat},${site.lon}`}>
                Phone’s map
              </OutsideLink>
            </Row>
          </Column>
        </Scroll>
      </Column>
    </>
  );
}

const spotOf = ({ name, lat, lon }: Start) => ({ name, lat, lon });

function Whole({ way, leaving }: { readonly way: Way; readonly leaving: number }) {
  return (
    <Row gap="$2" alignItems="baseline" flexWrap="wrap">
      <Figure strong fontSize="$5">
        {sayLength(Math.max(1, Math.round(way.minutes)))}
      </Figure>
      <Body small>
        {sayDistance(way.metres)}, there at {sayMinute(Math.ceil(leaving + way.minutes) % 1_440)} if
        you set off now
      </Body>
    </Row>
  );
}

function Legs({ way, leaving }: { readonly way: Way; readonly leaving: number }) {
  return (
    <Column role="list" aria-label="The pieces of the way">
      {sayLegs(way.legs, leaving).map(({ at, words, about }, i) => (
        <Row
          key={i}
          role="listitem"
          gap="$3"
          paddingVertical="$2"
          alignItems="baseline"
          borderTopWidth={1}
          borderColor="$rule"
        >
          <Figure small>{at}</Figure>
          <Column flex={1}>
            <Body>{words}</Body>
            <Body small quiet>
              {about}
            </Body>
          </Column>
        </Row>
      ))}
    </Column>
  );
}
