import { useTheme } from '@tamagui/core';
import { useId, type ReactNode } from 'react';
import { TextInput, type KeyboardTypeOptions } from 'react-native';
import { Column } from './box.tsx';
import { Body } from './text.tsx';

export interface InputProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly onLeave?: () => void;
  /** Drawn above the field; hidden when the label stands elsewhere. */
  readonly hideLabel?: boolean;
  readonly problem?: string | undefined;
  readonly help?: string;
  readonly kind?: 'text' | 'email' | 'password' | 'decimal' | 'date' | 'tel';
  readonly lines?: number;
  readonly mono?: boolean;
  readonly eyes?: boolean;
  readonly autoFocus?: boolean;
  readonly onEnter?: (() => void) | undefined;
  /** What the Enter key of an on-screen keyboard does, and shows. */
  readonly enter?: 'done' | 'next' | 'go' | undefined;
}

const KEYBOARDS: Partial<Record<NonNullable<InputProps['kind']>, KeyboardTypeOptions>> = {
  email: 'email-address',
  decimal: 'decimal-pad',
  tel: 'phone-pad',
};

const COMPLETE: Partial<Record<NonNullable<InputProps['kind']>, 'username' | 'current-password'>> =
  {
    email: 'username',
    password: 'current-password',
  };

export function Input(props: InputProps) {
  const {
    label,
    value,
    onChange,
    onLeave,
    hideLabel,
    problem,
    help,
    kind = 'text',
    lines = 1,
  } = props;
  const theme = useTheme();
  const id = useId();
  const bad = Boolean(problem) || props.eyes;
  return (
    <Labelled label={label} hide={hideLabel} problem={problem} help={help} id={id}>
      <TextInput
        aria-label={label}
        aria-describedby={problem || help ? `${id}-note` : undefined}
        aria-invalid={Boolean(problem)}
        value={value}
        onChangeText={onChange}
        onBlur={onLeave}
        onSubmitEditing={props.onEnter}
        // Enter goes on where there is somewhere to go, and never leaves whoever types with nothing.
        blurOnSubmit={false}
        enterKeyHint={props.enter ?? (props.onEnter ? 'go' : 'done')}
        keyboardType={KEYBOARDS[kind]}
        secureTextEntry={kind === 'password'}
        autoCapitalize={kind === 'email' || kind === 'password' ? 'none' : 'sentences'}
        autoComplete={COMPLETE[kind] ?? 'off'}
        autoFocus={props.autoFocus}
        multiline={lines > 1}
        numberOfLines={lines}
        style={{
          minHeight: lines > 1 ? 24 * lines + 24 : 52,
          borderWidth: 2,
          borderColor: bad ? theme.clay.get() : theme.sand.get(),
          borderRadius: 14,
          borderTopLeftRadius: 4,
          backgroundColor: theme.sheet.get(),
          color: theme.ink.get(),
          paddingHorizontal: 16,
          paddingVertical: 10,
          fontSize: (props.mono ? '1.6875rem' : '1.0625rem') as never,
          lineHeight: (props.mono ? '2.0625rem' : '1.5rem') as never,
          fontWeight: props.mono ? ('560' as never) : '400',
          fontFamily: props.mono
            ? "'Atkinson Hyperlegible Mono', monospace"
            : "'Atkinson Hyperlegible Next', sans-serif",
        }}
      />
    </Labelled>
  );
}

interface LabelledProps {
  readonly label: string;
  readonly hide?: boolean | undefined;
  readonly problem?: string | undefined;
  readonly help?: string | undefined;
  readonly id: string;
  readonly children: ReactNode;
}

function Labelled({ label, hide, problem, help, id, children }: LabelledProps) {
  return (
    <Column gap="$1">
      {hide ? null : (
        <Body small strong aria-hidden>
          {label}
        </Body>
      )}
      {children}
      {problem || help ? (
        <Body
          small
          eyes={Boolean(problem)}
          quiet={!problem}
          id={`${id}-note`}
          role={problem ? 'alert' : undefined}
        >
          {problem ?? help}
        </Body>
      ) : null}
    </Column>
  );
}
