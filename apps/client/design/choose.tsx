import { styled, View } from '@tamagui/core';
import { Column, Row } from './box.tsx';
import { Body } from './text.tsx';

const Segment = styled(View, {
  render: 'button',
  flexGrow: 1,
  flexShrink: 1,
  flexBasis: 'auto',
  minHeight: 56,
  paddingHorizontal: '$3',
  alignItems: 'center',
  justifyContent: 'center',
  backgroundColor: 'transparent',
  borderLeftWidth: 2,
  borderColor: '$ink',
  cursor: 'pointer',
  variants: {
    first: { true: { borderLeftWidth: 0 } },
    chosen: { true: { backgroundColor: '$bark' } },
  } as const,
});

export interface ChooseProps<Value extends string> {
  readonly label: string;
  readonly options: readonly { readonly value: Value; readonly label: string }[];
  readonly chosen: readonly Value[];
  readonly onPress: (value: Value) => void;
  readonly disabled?: boolean;
}

/** A few answers side by side; what is chosen is dark and says so. */
export function Segments<Value extends string>(props: ChooseProps<Value>) {
  const { label, options, chosen, onPress, disabled } = props;
  return (
    <Row
      role="radiogroup"
      aria-label={label}
      borderWidth={2}
      borderColor="$ink"
      overflow="hidden"
      alignItems="stretch"
      borderTopLeftRadius="$sharp"
      borderTopRightRadius="$leaf"
      borderBottomRightRadius="$leaf"
      borderBottomLeftRadius="$leaf"
      backgroundColor="$sheet"
      opacity={disabled ? 0.6 : 1}
    >
      {options.map((option, index) => {
        const isChosen = chosen.includes(option.value);
        return (
          <Segment
            key={option.value}
            role="radio"
            aria-checked={isChosen}
            disabled={disabled}
            first={index === 0}
            chosen={isChosen}
            onPress={disabled ? undefined : () => onPress(option.value)}
          >
            <Body strong color={isChosen ? '$onBark' : '$ink'} userSelect="none" textAlign="center">
              {option.label}
            </Body>
          </Segment>
        );
      })}
    </Row>
  );
}

const Line = styled(View, {
  render: 'button',
  flexDirection: 'row',
  alignItems: 'center',
  gap: '$3',
  minHeight: 52,
  paddingHorizontal: '$4',
  paddingVertical: '$2',
  backgroundColor: '$sheet',
  borderWidth: 2,
  borderColor: '$sand',
  borderTopLeftRadius: '$sharp',
  borderTopRightRadius: '$leaf',
  borderBottomRightRadius: '$leaf',
  borderBottomLeftRadius: '$leaf',
  cursor: 'pointer',
  variants: { chosen: { true: { backgroundColor: '$bark', borderColor: '$bark' } } } as const,
});

/** Answers under each other: one of them, or with `several` any number. */
export function Lines<Value extends string>(props: ChooseProps<Value> & { several?: boolean }) {
  const { label, options, chosen, onPress, disabled, several } = props;
  return (
    <Column
      gap="$2"
      role={several ? 'group' : 'radiogroup'}
      aria-label={label}
      opacity={disabled ? 0.6 : 1}
    >
      {options.map((option) => {
        const isChosen = chosen.includes(option.value);
        return (
          <Line
            key={option.value}
            role={several ? 'checkbox' : 'radio'}
            aria-checked={isChosen}
            disabled={disabled}
            chosen={isChosen}
            onPress={disabled ? undefined : () => onPress(option.value)}
          >
            <Body color={isChosen ? '$onBark' : '$ink'} userSelect="none" aria-hidden width={20}>
              {isChosen ? '●' : several ? '▢' : '○'}
            </Body>
            <Body strong color={isChosen ? '$onBark' : '$ink'} userSelect="none" flex={1}>
              {option.label}
            </Body>
          </Line>
        );
      })}
    </Column>
  );
}
