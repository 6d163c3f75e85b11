import { Lines } from '@/design/choose.tsx';
import { useSheetSession, type PartProps } from '../field/sheet-context.tsx';

const READ = [{ value: 'yes', label: 'Yes, it is so' }] as const;

/** An instruction to acknowledge. */
export function AcknowledgePart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const done = state.answer !== null;
  return (
    <Lines
      several
      label={state.question.label}
      options={READ}
      chosen={done ? ['yes'] : []}
      onPress={() =>
        void (done
          ? session.write(state.question.key, 'clear', null)
          : session.write(state.question.key, 'answer', true))
      }
      disabled={locked}
    />
  );
}
