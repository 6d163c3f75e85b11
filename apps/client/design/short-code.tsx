import { isWholeCode, readShortCode, spaced } from '@ant-trail/core/codes';
import { Input } from './input.tsx';
import { Figure } from './text.tsx';

/** A short code to be read aloud or typed on another phone. */
export const ShownCode = ({ code }: { readonly code: string }) => (
  <Figure fontSize="$6" lineHeight="$6" strong letterSpacing={2} aria-label={[...code].join(' ')}>
    {spaced(code)}
  </Figure>
);

export interface CodeInputProps {
  readonly label: string;
  readonly value: string;
  readonly length: number;
  readonly onChange: (text: string) => void;
}

/** Where a short code is typed: a wrong sign is told as soon as all of them are there. */
export function CodeInput({ label, value, length, onChange }: CodeInputProps) {
  const wrong = isWholeCode(value, length) && readShortCode(value, length) === null;
  return (
    <Input
      label={label}
      value={value}
      onChange={(text) => onChange(text.toUpperCase())}
      mono
      problem={wrong ? 'A sign of the code is wrong. Compare it with the other phone.' : undefined}
    />
  );
}
