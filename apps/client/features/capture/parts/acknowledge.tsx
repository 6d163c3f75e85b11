import { Lines } from '@/design/choose.tsx';
import { useAnswerByPress, type PartProps } from '../session/sheet-context.tsx';

const READ = [{ value: 'yes', label: 'Yes, it is so' }] as const;

/** An instruction to acknowledge. */
export function AcknowledgePart({ state, locked }: PartProps) {
  const give = useAnswerByPress(state);
  const done = state.answer !== null;
  return (
    <Lines
      several
      label={state.question.label}
      options={READ}
      chosen={done ? ['yes'] : []}
      onPress={() => {
        if (!done) void give(true);
      }}
      disabled={locked}
    />
  );
}
