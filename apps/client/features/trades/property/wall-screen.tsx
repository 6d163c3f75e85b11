import type { RowState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { ScrollView } from 'react-native';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { WholeScreen } from '@/design/whole-screen.tsx';
import type { KitRowsProps } from '../part.ts';
import { LayOut } from './lay-out.tsx';
import { ReadOne, SpotList } from './read-spots.tsx';
import { isLaid, isRead, laidOn, materialOf } from './spots.ts';
import type { PropertyKit } from './use-property.ts';
import { WallDrawing } from './wall-drawing.tsx';

interface WallScreenProps extends KitRowsProps {
  readonly kit: PropertyKit;
  readonly wall: RowState;
  readonly onClose: () => void;
}

/** One wall: what it is made of, its picture as it grows, and reading after reading. */
export function WallScreen(props: WallScreenProps) {
  const { kit, wall, about, locked, write, Question, onClose } = props;
  const [at, setAt] = useState<string | null>(null);
  const [laying, setLaying] = useState(false);
  const spots = laidOn(wall);
  const read = spots.filter(isRead);
  const material = materialOf(kit, wall);
  const unread = spots.filter(isLaid);
  const picture = material && kit.pictureOf(material, read, unread);
  const index = spots.findIndex(({ path }) => path === at);
  const spot = spots[index];
  const next = spots.slice(index + 1).find(({ wet }) => wet === null);
  const whereIs = (path: string | null) =>
    picture?.points[read.findIndex((each) => each.path === path)] ??
    picture?.unread[unread.findIndex((each) => each.path === path)] ??
    null;
  const own = wall.questions.filter(({ question }) => question.kind !== 'rows');
  return (
    <WholeScreen title={`${about}, ${wall.name}`} onClose={onClose}>
      <Row padding="$4" justifyContent="space-between" gap="$3" className="to-hand">
        <Heading>{wall.name}</Heading>
        <Button plain dense onPress={onClose}>
          ‹ Sheet
        </Button>
      </Row>
      <Column paddingHorizontal="$4" paddingBottom="$3" gap="$2" alignSelf="stretch">
        {picture ? (
          <>
            <WallDrawing kit={kit} picture={picture} at={whereIs(at)} />
            <Legend kit={kit} />
          </>
        ) : (
          <Body small quiet>
            The picture of the wall begins with its first reading.
          </Body>
        )}
      </Column>
      <ScrollView style={{ flex: 1 }}>
        <Column padding="$4" paddingTop={0} gap="$4">
          {spots.length > 0 ? <SpotList {...{ kit, material, spots, at }} onAt={setAt} /> : null}
          {locked || !material ? null : (
            <Row>
              <Button onPress={() => setLaying(true)}>
                {spots.length === 0 ? 'Lay out where to read' : 'Lay out more'}
              </Button>
            </Row>
          )}
          {own.map((state) => (
            <Question key={state.path} state={state} locked={locked} />
          ))}
        </Column>
      </ScrollView>
      {spot && !locked ? (
        <ReadOne key={spot.path} {...{ spot, write }} onNext={() => setAt(next?.path ?? null)} />
      ) : null}
      {laying ? (
        <LayOut
          {...{ kit, wall, write }}
          onClose={(first) => {
            setLaying(false);
            if (first !== null) setAt(first);
          }}
        />
      ) : null}
    </WholeScreen>
  );
}

function Legend({ kit }: { readonly kit: PropertyKit }) {
  return (
    <Row gap="$4" flexWrap="wrap">
      {kit.BANDS.map((band) => (
        <Row key={band} gap="$2" alignItems="center">
          <Column width={18} height={18} borderWidth={1} borderColor="$ink">
            <Column flex={1} backgroundColor="$lake" opacity={kit.DEPTHS[band]} />
          </Column>
          <Body small>{band}</Body>
        </Row>
      ))}
    </Row>
  );
}
