import { readNumber } from '@ant-trail/core/measure';
import { problemWithAnswer, sharesOf, type SharesQuestion } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import type { DeskControlProps, Given } from './control.ts';

type Typed = Readonly<Record<string, string>>;

function read(question: SharesQuestion, typed: Typed): Given {
  const shares: Record<string, number> = {};
  for (const { key, label } of question.parts) {
    const words = typed[key]?.trim() ?? '';
    if (words === '') continue;
    const share = readNumber(words, { units: ['%'] });
    if ('problem' in share) return { problem: `${label}: ${share.problem}` };
    shares[key] = share.value;
  }
  if (Object.keys(shares).length === 0) return { value: null };
  const problem = problemWithAnswer(question, { shares });
  return problem === null ? { value: { shares } } : { problem };
}

/** Shares of a whole, each typed; what they come to together is said while they are. */
export function SharesControl(props: DeskControlProps<SharesQuestion>) {
  const { question, label, value, onGive } = props;
  const [typed, setTyped] = useState<Typed>(() =>
    Object.fromEntries(
      Object.entries(value === null ? {} : sharesOf(value)).map(([key, share]) => [
        key,
        String(share),
      ]),
    ),
  );
  const given = read(question, typed);
  return (
    <Column gap="$2" role="group" aria-label={label}>
      {question.parts.map((part) => (
        <Input
          key={part.key}
          label={`${part.label}, in percent`}
          kind="decimal"
          value={typed[part.key] ?? ''}
          onChange={(text) => {
            const next = { ...typed, [part.key]: text };
            setTyped(next);
            onGive(read(question, next));
          }}
        />
      ))}
      {'problem' in given ? (
        <Body small eyes role="alert">
          {given.problem}
        </Body>
      ) : null}
    </Column>
  );
}
