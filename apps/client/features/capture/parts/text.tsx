import { useState } from 'react';
import { Input } from '@/design/input.tsx';
import { DateField } from '@/design/pick.tsx';
import { useSheetSession, type PartProps } from '../field/sheet-context.tsx';
import { useDraft } from './use-draft.ts';

export function TextPart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const { key, label } = state.question;
  const kept = typeof state.answer?.value === 'string' ? state.answer.value : '';
  const draft = useDraft(kept, (text) => {
    if (text.trim()) void session.write(key, 'answer', text.trim());
    else if (state.answer) void session.write(key, 'clear', null);
  });
  return (
    <Input
      label={label}
      hideLabel
      lines={2}
      value={draft.text}
      onChange={locked ? () => undefined : draft.change}
      onLeave={draft.settle}
    />
  );
}

export function DatePart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const { key, label } = state.question;
  const [, setProblem] = useState<string | null>(null);
  const value = typeof state.answer?.value === 'string' ? state.answer.value : '';
  return (
    <DateField
      label={label}
      hideLabel
      type="date"
      value={value}
      onChange={(day) => {
        if (locked) return;
        if (day) void session.write(key, 'answer', day).then(setProblem);
        else void session.write(key, 'clear', null);
      }}
    />
  );
}
