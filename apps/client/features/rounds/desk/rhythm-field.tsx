import { readRule, sayRule } from '@ant-trail/core/rounds';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';

export interface RhythmFieldProps {
  /** RFC 5545; empty as long as nothing is said. */
  readonly rule: string;
  /** Empty where what is written is not understood. */
  readonly onChange: (rule: string) => void;
  /** Somebody tried to save. */
  readonly asked: boolean;
}

const EXAMPLES = [
  'every working day',
  'every second Tuesday, not in August',
  'every month on the first Monday',
  'every 6 weeks',
] as const;

/** How often a round is walked, in words; what was understood stands below. */
export function RhythmField({ rule, onChange, asked }: RhythmFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const words = typed ?? (rule ? sayRule(rule) : '');
  const [left, setLeft] = useState(false);
  const write = (text: string): void => {
    setTyped(text);
    setLeft(false);
    const read = readRule(text);
    onChange('rule' in read ? read.rule : '');
  };
  const read = readRule(words);
  const understood = 'rule' in read ? sayRule(read.rule) : null;
  const isAsWritten = understood?.toLowerCase() === words.trim().toLowerCase();
  return (
    <Column gap="$2">
      <Input
        label="How often"
        value={words}
        onChange={write}
        onLeave={() => setLeft(true)}
        {...(understood && !isAsWritten ? { help: `Understood: ${understood}` } : {})}
        problem={
          'problem' in read && (asked || (left && words.trim() !== '')) ? read.problem : undefined
        }
      />
      {words === '' ? (
        <Row gap="$2" flexWrap="wrap">
          {EXAMPLES.map((example) => (
            <Button key={example} dense onPress={() => write(example)}>
              {example}
            </Button>
          ))}
        </Row>
      ) : null}
    </Column>
  );
}
