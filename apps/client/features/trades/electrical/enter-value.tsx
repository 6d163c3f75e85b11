import { writeUnit } from '@ant-trail/core/measure';
import { useTheme } from '@tamagui/core';
import { useEffect, useRef } from 'react';
import { Row } from '@/design/box.tsx';
import { Figure } from '@/design/text.tsx';
import type { ValueEntry } from './use-entry.ts';

/** The value being entered: by the pad, or by a keyboard that is there anyway. None comes up for it. */
export function EnterValue({ entry }: { entry: ValueEntry }) {
  const { at, state, text, unit, alert, problem } = entry;
  const field = useRef<HTMLInputElement>(null);
  const theme = useTheme();
  const key = at ? `${at.place} ${at.key}` : '';
  useEffect(() => {
    field.current?.focus({ preventScroll: true });
    field.current?.select();
  }, [key]);
  const written = writeUnit(unit);
  const label = state?.question.label ?? '';
  return (
    <Row gap="$1" flexShrink={0}>
      <input
        ref={field}
        // The pad below is the keyboard.
        inputMode="none"
        autoComplete="off"
        aria-label={written ? `${label}, in ${written}` : label}
        aria-invalid={problem !== null}
        value={text}
        onChange={(event) => entry.type(event.target.value)}
        onKeyDown={(event) => {
          const by = { ArrowDown: 1, ArrowUp: -1 } as const;
          if (event.key === 'Enter') entry.nextValue();
          else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') entry.step(by[event.key]);
          else return;
          event.preventDefault();
        }}
        style={{
          ...{ width: 92, minHeight: 28, border: 0, outline: 'none', textAlign: 'right' },
          ...{ background: 'transparent', fontSize: '1.3125rem', fontWeight: 650 },
          fontFamily: "'Atkinson Hyperlegible Mono', monospace",
          color: alert ? theme.clay.get() : theme.ink.get(),
        }}
      />
      {written ? (
        <Figure small quiet>
          {written}
        </Figure>
      ) : null}
    </Row>
  );
}
