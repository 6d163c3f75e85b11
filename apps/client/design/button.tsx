import { styled, View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { useOnePress } from './one-press.ts';
import { useSetting } from '@/device/settings.ts';
import { Body, Figure } from './text.tsx';

const Frame = styled(View, {
  render: 'button',
  flexDirection: 'row',
  alignItems: 'center',
  justifyContent: 'center',
  gap: '$2',
  minHeight: 48,
  minWidth: 48,
  paddingHorizontal: '$4',
  borderWidth: 2,
  borderColor: '$ink',
  backgroundColor: 'transparent',
  borderTopLeftRadius: '$sharp',
  borderTopRightRadius: '$leaf',
  borderBottomRightRadius: '$leaf',
  borderBottomLeftRadius: '$leaf',
  cursor: 'pointer',
  hoverStyle: { backgroundColor: '$touch' },
  pressStyle: { opacity: 0.75 },
  variants: {
    main: {
      true: {
        backgroundColor: '$bark',
        borderColor: '$bark',
        hoverStyle: { opacity: 0.88, backgroundColor: '$bark' },
      },
    },
    plain: { true: { borderColor: 'transparent', paddingHorizontal: '$2' } },
    dense: {
      true: { paddingHorizontal: '$3', borderWidth: 1, $wide: { minHeight: 40, minWidth: 36 } },
    },
    off: { true: { opacity: 0.45, cursor: 'default' } },
  } as const,
});

export interface ButtonProps {
  readonly children: ReactNode;
  /** While a promise it gives is not settled, further presses do nothing. */
  readonly onPress: () => unknown;
  /** Meant to be pressed again and again: no press is taken for the second half of another. */
  readonly repeats?: boolean;
  readonly main?: boolean;
  readonly plain?: boolean;
  readonly dense?: boolean;
  readonly disabled?: boolean;
  /** The key that does the same, printed on the button. */
  readonly shortcut?: string;
  readonly label?: string;
  readonly grow?: boolean;
}

const BUTTON_TYPE = { type: 'button' } as object;

export function Button(props: ButtonProps) {
  const { children, onPress, main, plain, dense, disabled, shortcut, label, grow } = props;
  const { press, resting } = useOnePress(props.repeats ? 0 : undefined);
  const keysOn = useSetting('singleKeys') === 'on';
  const printed = keysOn ? shortcut : undefined;
  const color = main ? '$onBark' : '$ink';
  return (
    <Frame
      main={main}
      plain={plain}
      dense={dense}
      off={disabled}
      disabled={disabled}
      // In a form a press is a press, and not the form's own sending as well.
      {...BUTTON_TYPE}
      aria-disabled={resting}
      onPress={disabled ? undefined : () => press(onPress)}
      aria-label={label}
      aria-keyshortcuts={printed}
      flexGrow={grow ? 1 : 0}
      flexBasis={grow ? 0 : 'auto'}
      flexShrink={1}
    >
      <Body strong small={dense} color={color} userSelect="none" textAlign="center">
        {children}
      </Body>
      {printed ? (
        // On a phone there are no keys.
        <Figure tiny color={color} userSelect="none" aria-hidden className="key-hint">
          {printed}
        </Figure>
      ) : null}
    </Frame>
  );
}

/** A link to somewhere outside the application: a call, a message, the phone's own map. */
const LinkFrame = styled(Frame, { style: { textDecoration: 'none' } });

export function OutsideLink({
  href,
  children,
  label,
}: {
  href: string;
  children: ReactNode;
  label?: string;
}) {
  return (
    <LinkFrame
      render={<a href={href} />}
      aria-label={label}
      flexGrow={1}
      flexBasis={0}
      paddingHorizontal="$2"
    >
      <Body strong userSelect="none">
        {children}
      </Body>
    </LinkFrame>
  );
}

/** Calls somebody by the telephone. */
export function CallLink({ name, phone, long }: { name: string; phone: string; long?: boolean }) {
  return (
    <OutsideLink href={`tel:${phone.replaceAll(' ', '')}`} label={`Call ${name}`}>
      {long ? `Call ${name}` : 'Call'}
    </OutsideLink>
  );
}
