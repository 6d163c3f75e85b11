import { readNumber } from '@ant-trail/core/measure';
import { useState } from 'react';
import { Column } from './box.tsx';
import { Input } from './input.tsx';

export interface NumberFieldProps {
  readonly label: string;
  readonly value: number | undefined;
  readonly onChange: (value: number | undefined) => void;
}

/** A number, or none: kept while it can be one, refused in words while it can't. */
export function NumberField({ label, value, onChange }: NumberFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const read = typed?.trim() ? readNumber(typed) : null;
  return (
    <Column flex={1} minWidth={90}>
      <Input
        label={label}
        kind="decimal"
        value={typed ?? (value === undefined ? '' : String(value))}
        problem={read && 'problem' in read ? read.problem : undefined}
        onLeave={() => setTyped(null)}
        onChange={(text) => {
          setTyped(text);
          const next = text.trim() ? readNumber(text) : null;
          if (!next) onChange(undefined);
          else if ('value' in next) onChange(next.value);
        }}
      />
    </Column>
  );
}
