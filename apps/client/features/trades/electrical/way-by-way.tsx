import { blanksIn, textOf } from '@ant-trail/core/sheet';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import type { KitRowsProps } from '../part.ts';
import { EnterValue } from './enter-value.tsx';
import { firstAt, likeIn, modelFor, questionIn, type Place } from './places.ts';
import type { ValueEntry } from './use-entry.ts';
import { WayList } from './way-list.tsx';
import { WayValues } from './way-values.tsx';

/** How wide the list of ways is, on a phone and where there is more room. */
const LIST_WIDTH = { phone: 132, wide: 260 } as const;
/** On a wide screen the eye must not go far between a name and its value. */
export const MOST_WIDTH = 860;

interface WayByWayProps {
  readonly places: readonly Place[];
  readonly entry: ValueEntry;
  readonly locked: boolean;
  readonly wide: boolean;
  readonly onAdd: (() => void) | null;
  readonly CloseOut: KitRowsProps['CloseOut'];
}

/** The picture of the ways, and all values of the one that is open. */
export function WayByWay({ places, entry, locked, wide, onAdd, CloseOut }: WayByWayProps) {
  const place = places.find(({ path }) => path === entry.at?.place) ?? places[0];
  if (!place) return null;
  const model = locked ? null : modelFor(places, place);
  const blanks = locked ? [] : blanksIn(place.questions);
  return (
    <Row
      className="to-hand"
      flex={1}
      minHeight={0}
      alignItems="stretch"
      width="100%"
      maxWidth={MOST_WIDTH}
      alignSelf="center"
    >
      <Scroll
        flex={0}
        flexBasis={wide ? LIST_WIDTH.wide : LIST_WIDTH.phone}
        flexShrink={0}
        borderRightWidth={1}
        borderColor="$rule"
        backgroundColor="$sheet"
      >
        <WayList places={places} here={place.path} onGo={(to) => entry.go(firstAt(to))} />
        {onAdd ? (
          <Column padding="$2">
            <Button dense onPress={onAdd}>
              Add ways
            </Button>
          </Column>
        ) : null}
      </Scroll>
      <Scroll>
        <Column paddingBottom="$3">
          <Column paddingHorizontal="$3" paddingVertical="$2" gap="$1">
            <Body render="h3" margin={0} strong>
              {place.isBoard ? 'The board itself' : sayWay(place)}
            </Body>
            <Row gap="$2" flexWrap="wrap">
              {model ? (
                <Button dense onPress={() => entry.take(likeIn(model, place.path), place)}>
                  Like way {model.name}
                </Button>
              ) : null}
              {CloseOut && blanks.length > 0 ? (
                <CloseOut blanks={blanks} where={place.isBoard ? 'the board' : sayWay(place)} />
              ) : null}
            </Row>
          </Column>
          <WayValues
            place={place}
            here={locked ? '' : (entry.at?.key ?? '')}
            entering={entry.number ? <EnterValue entry={entry} /> : null}
            onGo={(key) => entry.go({ place: place.path, key })}
          />
        </Column>
      </Scroll>
    </Row>
  );
}

const sayWay = (place: Place): string => {
  const feeds = questionIn(place, 'feeds')?.answer;
  return feeds ? `Way ${place.name}, ${textOf(feeds.value)}` : `Way ${place.name}`;
};
