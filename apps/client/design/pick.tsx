import { useTheme } from '@tamagui/core';
import { Column } from './box.tsx';
import { Body } from './text.tsx';

export interface PickOption {
  readonly value: string;
  readonly label: string;
}

export interface PickProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly PickOption[];
  readonly onChange: (value: string) => void;
  readonly problem?: string | undefined;
  /** Drawn above the field; hidden when the label stands elsewhere. */
  readonly hideLabel?: boolean;
}

/** One out of a longer list: the browser's own list, which phones and keyboards know well. */
export function Pick({ label, value, options, onChange, problem, hideLabel }: PickProps) {
  const theme = useTheme();
  return (
    <Column gap="$1">
      {hideLabel ? null : (
        <Body small strong aria-hidden>
          {label}
        </Body>
      )}
      <select
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        style={{
          minHeight: 52,
          padding: '0 12px',
          borderWidth: 2,
          borderStyle: 'solid',
          borderColor: problem ? theme.clay.get() : theme.sand.get(),
          borderRadius: '4px 14px 14px 14px',
          background: theme.sheet.get(),
          color: theme.ink.get(),
          fontFamily: 'Atkinson Hyperlegible Next',
          fontSize: '1.0625rem',
        }}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}

export interface DateFieldProps {
  readonly label: string;
  readonly value: string;
  readonly type: 'date' | 'time';
  readonly onChange: (value: string) => void;
  readonly hideLabel?: boolean;
}

/** A day or a time, by the browser's own picker. */
export function DateField({ label, value, type, onChange, hideLabel }: DateFieldProps) {
  const theme = useTheme();
  return (
    <Column gap="$1">
      {hideLabel ? null : (
        <Body small strong aria-hidden>
          {label}
        </Body>
      )}
      <input
        aria-label={label}
        type={type}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        style={{
          minHeight: 52,
          boxSizing: 'border-box',
          padding: '0 14px',
          border: `2px solid ${theme.sand.get()}`,
          borderRadius: '4px 14px 14px 14px',
          background: theme.sheet.get(),
          color: theme.ink.get(),
          fontFamily: 'Atkinson Hyperlegible Mono',
          fontSize: '1.0625rem',
        }}
      />
    </Column>
  );
}
