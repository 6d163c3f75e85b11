import { useTheme } from '@tamagui/core';
import { useId } from 'react';
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
  const id = useId();
  return (
    <Column gap="$1">
      {hideLabel ? null : (
        <Body small strong aria-hidden>
          {label}
        </Body>
      )}
      <select
        aria-label={label}
        aria-invalid={Boolean(problem)}
        aria-describedby={problem ? `${id}-problem` : undefined}
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
        <Body small eyes role="alert" id={`${id}-problem`}>
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}
