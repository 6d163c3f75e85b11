import { styled, View } from '@tamagui/core';
import { useRef, useState, type KeyboardEvent } from 'react';
import { Column, Row } from './box.tsx';
import { AGAIN_MS } from './one-press.ts';
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

const BACK = new Set(['ArrowLeft', 'ArrowUp']);
const ON = new Set(['ArrowRight', 'ArrowDown']);

/** One stop of the Tab key for all; arrows go from one to the next, Space or Enter takes it. */
function moveAmong(event: KeyboardEvent<HTMLElement>): void {
  const step = ON.has(event.key) ? 1 : BACK.has(event.key) ? -1 : 0;
  if (step === 0) return;
  const all = [...event.currentTarget.querySelectorAll<HTMLElement>('[role="radio"]')];
  const at = all.indexOf(document.activeElement as HTMLElement);
  if (at < 0) return;
  event.preventDefault();
  all[(at + step + all.length) % all.length]?.focus();
}

/** Which answer the Tab key comes to: where the focus is, else what is chosen, else the first. */
function useTabStop(values: readonly string[], chosen: readonly string[]) {
  const [focused, setFocused] = useState<string | null>(null);
  return {
    stop: focused ?? values.find((value) => chosen.includes(value)) ?? values[0],
    focusOf: (value: string) => ({
      onFocus: () => setFocused(value),
      onBlur: () => setFocused(null),
    }),
  };
}

/** A second tap on the same answer is the same press. */
function useChoosing<Value extends string>(onPress: (value: Value) => void) {
  const last = useRef<{ value: Value | null; at: number }>({ value: null, at: -Infinity });
  return (value: Value): void => {
    const now = performance.now();
    const again = last.current.value === value && now - last.current.at < AGAIN_MS;
    last.current = { value, at: now };
    if (!again) onPress(value);
  };
}

/** A few answers side by side; what is chosen is dark and says so. */
export function Segments<Value extends string>(props: ChooseProps<Value>) {
  const { label, options, chosen, onPress, disabled } = props;
  const choose = useChoosing(onPress);
  const { stop, focusOf } = useTabStop(
    options.map(({ value }) => value),
    chosen,
  );
  return (
    <Row
      role="radiogroup"
      onKeyDown={moveAmong}
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
            tabIndex={option.value === stop ? 0 : -1}
            {...focusOf(option.value)}
            onPress={disabled ? undefined : () => choose(option.value)}
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
  const choose = useChoosing(onPress);
  const { stop, focusOf } = useTabStop(
    options.map(({ value }) => value),
    chosen,
  );
  return (
    <Column
      gap="$2"
      {...(several ? {} : { onKeyDown: moveAmong })}
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
            tabIndex={several || option.value === stop ? 0 : -1}
            {...(several ? {} : focusOf(option.value))}
            onPress={disabled ? undefined : () => choose(option.value)}
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
