import { readTimeOfDay } from '@ant-trail/core/calendar';
import { useTheme } from '@tamagui/core';
import { useId, useState, type CSSProperties, type ReactNode } from 'react';
import { Column } from './box.tsx';
import { Body } from './text.tsx';

export interface WhenProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly hideLabel?: boolean;
  readonly problem?: string | undefined;
}

export const WRITE_A_TIME = 'Write a time, such as 07:45.';

/** A day, by the browser's own picker. */
export function DayField({ label, value, onChange, hideLabel, problem }: WhenProps) {
  const style = useFieldStyle(Boolean(problem));
  const id = useId();
  return (
    <Labelled label={label} hide={hideLabel} problem={problem} id={id}>
      <input
        aria-label={label}
        type="date"
        aria-invalid={Boolean(problem)}
        aria-describedby={problem ? `${id}-problem` : undefined}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        style={style}
      />
    </Labelled>
  );
}

/**
 * A time of day, written as one likes and shown in twenty-four hours as everywhere else: a browser's
 * own picker would show it in the form of its language. What is no time is given on as it was written.
 */
export function TimeField({ label, value, onChange, hideLabel, problem }: WhenProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const id = useId();
  const read = typed === null ? value : readTimeOfDay(typed);
  const [left, setLeft] = useState(false);
  const unread = left && Boolean(typed?.trim()) && read === null;
  const wrong = unread ? WRITE_A_TIME : problem;
  const style = useFieldStyle(Boolean(wrong));
  const settle = (): void => {
    setLeft(true);
    if (typed === null) return;
    // What can't be read stays, to be mended; nobody must take the time before for it meanwhile.
    const next = typed.trim() ? (read ?? typed.trim()) : '';
    if (read !== null || next === '') setTyped(null);
    // Emptied, it is said even so: what it held may have been no time.
    if (next !== value || next === '') onChange(next);
  };
  return (
    <Labelled label={label} hide={hideLabel} problem={wrong} id={id}>
      <input
        aria-label={label}
        inputMode="numeric"
        autoComplete="off"
        placeholder="--:--"
        aria-invalid={Boolean(wrong)}
        aria-describedby={wrong ? `${id}-problem` : undefined}
        value={typed ?? value}
        onChange={(event) => {
          setLeft(false);
          setTyped(event.target.value);
          // A whole time is one at once; half of one waits until the field is left.
          const whole = event.target.value.length >= 5 ? readTimeOfDay(event.target.value) : null;
          if (whole !== null && whole !== value) onChange(whole);
        }}
        onBlur={settle}
        onKeyDown={(event) => {
          if (event.key === 'Enter') settle();
        }}
        className="find"
        style={{ ...style, width: '7.5em' }}
      />
    </Labelled>
  );
}

function useFieldStyle(wrong: boolean): CSSProperties {
  const theme = useTheme();
  return {
    minHeight: 52,
    boxSizing: 'border-box',
    padding: '0 14px',
    border: `2px solid ${wrong ? theme.clay.get() : theme.sand.get()}`,
    borderRadius: '4px 14px 14px 14px',
    background: theme.sheet.get(),
    color: theme.ink.get(),
    fontFamily: 'Atkinson Hyperlegible Mono',
    fontSize: '1.0625rem',
    ...{ '--empty': theme.ink2.get() },
  };
}

interface LabelledProps {
  readonly label: string;
  readonly hide: boolean | undefined;
  readonly problem: string | undefined;
  readonly id: string;
  readonly children: ReactNode;
}

const Labelled = ({ label, hide, problem, id, children }: LabelledProps) => (
  <Column gap="$1">
    {hide ? null : (
      <Body small strong aria-hidden>
        {label}
      </Body>
    )}
    {children}
    {problem ? (
      <Body small eyes role="alert" id={`${id}-problem`}>
        {problem}
      </Body>
    ) : null}
  </Column>
);
