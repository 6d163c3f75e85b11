import { namesIn } from '@ant-trail/core/exchange';
import { useState } from 'react';
import { Input, type InputProps } from './input.tsx';

export interface NamesFieldProps extends Omit<InputProps, 'value' | 'onChange' | 'onLeave'> {
  readonly names: readonly string[];
  readonly onChange: (names: string[]) => void;
}

/** Several names between commas. */
export function NamesField({ names, onChange, ...input }: NamesFieldProps) {
  const [text, setText] = useState<string | null>(null);
  return (
    <Input
      {...input}
      value={text ?? names.join(', ')}
      onChange={(written) => {
        setText(written);
        onChange(namesIn(written));
      }}
      onLeave={() => setText(null)}
    />
  );
}
