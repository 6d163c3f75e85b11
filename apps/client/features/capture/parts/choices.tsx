import { Lines, Segments } from '@/design/choose.tsx';
import { useSheetSession, type PartProps } from '../field/sheet-context.tsx';

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
  { value: 'na', label: 'Not applicable' },
] as const;

/** Pressing what is chosen already takes the answer away again. */
function useToggle(state: PartProps['state']): (value: string) => void {
  const session = useSheetSession();
  const { key } = state.question;
  return (value) => {
    if (state.answer?.value === value) void session.write(key, 'clear', null);
    else void session.write(key, 'answer', value);
  };
}

export function YesNoPart({ state, locked }: PartProps) {
  const toggle = useToggle(state);
  const chosen = YES_NO.filter((option) => option.value === state.answer?.value);
  return (
    <Segments
      label={state.question.label}
      options={YES_NO}
      chosen={chosen.map((option) => option.value)}
      onPress={toggle}
      disabled={locked}
    />
  );
}

export function ChoicePart({ state, locked }: PartProps) {
  const toggle = useToggle(state);
  if (state.question.kind !== 'choice') return null;
  return (
    <Lines
      label={state.question.label}
      options={state.question.options.map(({ key, label }) => ({ value: key, label }))}
      chosen={typeof state.answer?.value === 'string' ? [state.answer.value] : []}
      onPress={toggle}
      disabled={locked}
    />
  );
}

export function ChoicesPart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const { question } = state;
  if (question.kind !== 'choices') return null;
  const chosen = Array.isArray(state.answer?.value) ? (state.answer.value as string[]) : [];
  const toggle = (value: string): void => {
    const next = chosen.includes(value)
      ? chosen.filter((key) => key !== value)
      : [...chosen, value];
    if (next.length === 0) void session.write(question.key, 'clear', null);
    else void session.write(question.key, 'answer', next);
  };
  return (
    <Lines
      several
      label={question.label}
      options={question.options.map(({ key, label }) => ({ value: key, label }))}
      chosen={chosen}
      onPress={toggle}
      disabled={locked}
    />
  );
}
