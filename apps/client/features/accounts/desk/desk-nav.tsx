import { styled, View } from '@tamagui/core';
import { usePathname, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { useTwoSides } from '@/design/sides.ts';
import { Body, Figure } from '@/design/text.tsx';
import { DESK_PLACES, type DeskPlace } from './desk-places.ts';

const Place = styled(View, {
  flexDirection: 'row',
  gap: 6,
  minHeight: 44,
  paddingHorizontal: 8,
  alignItems: 'center',
  borderBottomWidth: 3,
  borderColor: 'transparent',
  style: { textDecoration: 'none' },
  variants: { here: { true: { borderColor: '$trail' } } } as const,
});

/** What cannot wait until somebody is back at a desk. */
const URGENT = DESK_PLACES.slice(0, 3);

export interface DeskNavProps {
  /** How many sheets wait for this person. */
  readonly waiting: number;
  readonly onFind: () => void;
  readonly onMe: () => void;
}

/** The desk's places in one line; on a phone what is urgent, and the rest behind one more press. */
export function DeskNav({ waiting, onFind, onMe }: DeskNavProps) {
  const here = usePathname();
  const twoSides = useTwoSides();
  const [more, setMore] = useState(false);
  const current = DESK_PLACES.find(({ href }) => here.startsWith(href));
  const isUrgent = URGENT.some((place) => place === current);
  const shown = twoSides ? DESK_PLACES : [...URGENT, ...(current && !isUrgent ? [current] : [])];
  return (
    <>
      <Row render="nav" aria-label="Places" flex={1} minWidth={0}>
        {shown.map((place) => (
          <PlaceLink
            key={place.href}
            place={place}
            isHere={place === current}
            waiting={place.href === '/review' ? waiting : 0}
          />
        ))}
      </Row>
      {twoSides ? (
        <Row gap="$2">
          <Button dense onPress={onFind} shortcut="Ctrl K">
            Find
          </Button>
          <Button dense plain onPress={onMe}>
            Me
          </Button>
        </Row>
      ) : (
        <Button dense plain onPress={() => setMore(true)}>
          More
        </Button>
      )}
      {more ? (
        <MorePlaces
          onClose={() => setMore(false)}
          onFind={() => {
            setMore(false);
            onFind();
          }}
          onMe={() => {
            setMore(false);
            onMe();
          }}
        />
      ) : null}
    </>
  );
}

interface PlaceLinkProps {
  readonly place: DeskPlace;
  readonly isHere: boolean;
  readonly waiting: number;
}

function PlaceLink({ place: { href, word }, isHere, waiting }: PlaceLinkProps) {
  const router = useRouter();
  return (
    <Place
      render={<a href={href} />}
      here={isHere}
      aria-current={isHere ? 'page' : undefined}
      onPress={(event) => {
        event.preventDefault();
        router.navigate(href);
      }}
    >
      <Body small strong={isHere}>
        {word}
      </Body>
      {waiting > 0 ? (
        <Figure small strong eyes>
          {waiting}
        </Figure>
      ) : null}
    </Place>
  );
}

type MorePlacesProps = Pick<DeskNavProps, 'onFind' | 'onMe'> & { readonly onClose: () => void };

function MorePlaces({ onClose, onFind, onMe }: MorePlacesProps) {
  const router = useRouter();
  const ways = [
    ...DESK_PLACES.slice(URGENT.length).map(({ href, word }) => ({
      word,
      go: () => {
        onClose();
        router.navigate(href);
      },
    })),
    { word: 'Find or do', go: onFind },
    { word: 'Me', go: onMe },
  ];
  return (
    <Dialog title="More" onClose={onClose} easy>
      <Column>
        {ways.map(({ word, go }) => (
          <PressableRow key={word} justifyContent="center" onPress={go}>
            <Body>{word}</Body>
          </PressableRow>
        ))}
      </Column>
    </Dialog>
  );
}
