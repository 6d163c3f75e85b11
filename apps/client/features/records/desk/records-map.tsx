import { MapAnswer } from '@ant-trail/contract/maps';
import { RecordPointsAnswer } from '@ant-trail/contract/records';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import type { ListQuery } from '@/features/lists/desk/use-list.ts';
import { LazyMap } from '@/features/maps/lazy-map.tsx';
import type { Spot } from '@/features/maps/spot-face.ts';
import { useRouter } from 'expo-router';

const NO_LAYERS = [] as const;

/** The places of the records that are looked for, each with how many there are. */
export function RecordsMap({ query }: { readonly query: ListQuery }) {
  const router = useRouter();
  const asked = new URLSearchParams(query).toString();
  const map = useOffice(MapAnswer, '/api/map', ['map']).answer?.layers ?? NO_LAYERS;
  const places = useOffice(RecordPointsAnswer, `/api/records/places?${asked}`, ['sheet', 'site'])
    .answer?.points;
  const [chosen, setChosen] = useState<string | null>(null);
  const spots = useMemo(
    () =>
      (places ?? []).map(({ id, name, lat, lon, count, worst }): Spot => ({
        ...{ id, name, lat, lon, mark: String(count) },
        tone: worst > 0 ? 'eyes' : 'done',
      })),
    [places],
  );
  const place = places?.find(({ id }) => id === chosen);
  return (
    <Column gap="$3">
      {place ? (
        <Row gap="$3" flexWrap="wrap" role="status">
          <Body strong>{place.name}</Body>
          <Body quiet>{sayCount(place.count, place.worst)}</Body>
          <Button
            dense
            onPress={() => router.setParams({ site: place.id, how: undefined })}
            label={`List them: ${place.name}`}
          >
            List them
          </Button>
        </Row>
      ) : (
        <Body small quiet>
          The number is how many there are; square and red where one has a finding. Choose a place
          to list them.
        </Body>
      )}
      <View height={520} borderWidth={1} borderColor="$rule">
        <LazyMap
          label="Where they lie"
          layers={map}
          spots={spots}
          chosen={chosen}
          onChoose={setChosen}
        />
      </View>
    </Column>
  );
}

const sayCount = (count: number, worst: number): string =>
  `${count === 1 ? 'one sheet' : `${count} sheets`}, ${worst === 0 ? 'with no finding' : `the worst finding ${worst} of 4`}`;
