import type { Asset } from '@ant-trail/contract/register';
import { sayTagNumber } from '@ant-trail/core/tags';
import { styled, View } from '@tamagui/core';
import { Column, Row } from '@/design/box.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { ThingMark } from '@/features/register/thing-mark.tsx';

/** A thing with where it stands, as lists show it. */
export interface PlacedThing {
  readonly thing: Asset;
  readonly where: string;
  readonly number: string | null;
}

const Line = styled(View, {
  render: 'button',
  flexDirection: 'row',
  alignItems: 'center',
  gap: '$3',
  minHeight: 60,
  paddingHorizontal: '$4',
  paddingVertical: '$2',
  borderBottomWidth: 1,
  borderColor: '$rule',
  cursor: 'pointer',
  hoverStyle: { backgroundColor: '$touch' },
  pressStyle: { opacity: 0.8 },
});

/** A thing to be tapped: how it is, what it is, where it stands, its label. */
export function ThingLine({
  placed: { thing, where, number },
  onPress,
}: {
  placed: PlacedThing;
  onPress: () => void;
}) {
  return (
    <View role="listitem">
      <Line onPress={onPress}>
        <ThingMark thing={thing} size={20} />
        <Column flex={1} alignItems="flex-start">
          <Body strong textAlign="left">
            {thing.name}
          </Body>
          <Body small quiet textAlign="left">
            {[thing.area ? 'area' : thing.kind, where, wordOf(thing)].filter(Boolean).join(' · ')}
          </Body>
        </Column>
        <Row>{number ? <Figure small>{sayTagNumber(number)}</Figure> : null}</Row>
      </Line>
    </View>
  );
}

/** The condition, where anybody said it. */
const wordOf = ({ condition, area }: Asset): string =>
  area || condition === 'unknown' ? '' : condition;
