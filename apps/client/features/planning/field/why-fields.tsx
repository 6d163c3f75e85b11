import { useState } from 'react';
import type { z } from 'zod';
import { Column } from '@/design/box.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';

export interface Why {
  /** The reason as it stands; null, and what is missing is said, as long as there is none. */
  readonly settle: () => string | null;
  readonly usual: string | null;
  readonly choose: (words: string) => void;
  readonly more: string;
  readonly write: (words: string) => void;
  readonly problem: string | undefined;
}

/** A reason made of a usual one, of words, or of both. */
export function useWhy(schema: z.ZodType<string>): Why {
  const [usual, setUsual] = useState<string | null>(null);
  const [more, setMore] = useState('');
  const [asked, setAsked] = useState(false);
  const read = schema.safeParse([usual, more.trim()].filter(Boolean).join(': '));
  return {
    settle: () => {
      setAsked(true);
      return read.success ? read.data : null;
    },
    usual,
    choose: (words) => setUsual(words === usual ? null : words),
    more,
    write: setMore,
    problem: asked ? read.error?.issues[0]?.message : undefined,
  };
}

export interface WhyFieldsProps {
  readonly question: string;
  /** What it mostly is, a tap away. */
  readonly usual: readonly string[];
  readonly why: Why;
}

/** Asks for a reason: one of the usual ones, and more about it where there is. */
export function WhyFields({ question, usual, why }: WhyFieldsProps) {
  return (
    <Column gap="$3">
      <Body strong>{question}</Body>
      <Segments
        label={question}
        options={usual.map((words) => ({ value: words, label: words }))}
        chosen={why.usual === null ? [] : [why.usual]}
        onPress={why.choose}
      />
      <Input
        label="More about it"
        lines={2}
        value={why.more}
        onChange={why.write}
        problem={why.problem}
      />
    </Column>
  );
}
