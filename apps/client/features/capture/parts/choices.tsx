import { ownAnswer, ownWords, type Option } from '@ant-trail/core/sheet';
import { Column } from '@/design/box.tsx';
import { Lines, Segments } from '@/design/choose.tsx';
import { useAnswer, useAnswerByPress, type PartProps } from '../session/sheet-context.tsx';
import { DraftInput } from './draft-input.tsx';

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
  { value: 'na', label: 'Not applicable' },
] as const;

/** Pressing what is chosen already changes nothing: an answer is taken back by its own control. */
function useChoice(state: PartProps['state']): (value: string) => void {
  const give = useAnswerByPress(state);
  return (value) => {
    if (state.answer?.value !== value) void give(value);
  };
}

export function YesNoPart({ state, locked }: PartProps) {
  const choose = useChoice(state);
  const chosen = YES_NO.filter((option) => option.value === state.answer?.value);
  return (
    <Segments
      label={state.question.label}
      options={YES_NO}
      chosen={chosen.map((option) => option.value)}
      onPress={choose}
      disabled={locked}
    />
  );
}

const PERFORMED = [
  { value: 'done', label: 'Performed' },
  { value: 'not', label: 'Not performed' },
] as const;

export function PerformedPart({ state, locked }: PartProps) {
  const choose = useChoice(state);
  return (
    <Segments
      label={state.question.label}
      options={PERFORMED}
      chosen={PERFORMED.map(({ value }) => value).filter((value) => value === state.answer?.value)}
      onPress={choose}
      disabled={locked}
    />
  );
}

const asLines = (options: readonly Option[]) =>
  options.map(({ key, label }) => ({ value: key, label }));

export function ChoicePart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const choose = useChoice(state);
  const { question } = state;
  if (question.kind !== 'choice') return null;
  const chosen = typeof state.answer?.value === 'string' ? state.answer.value : '';
  return (
    <Column gap="$2">
      <Lines
        label={question.label}
        options={asLines(question.options)}
        chosen={[chosen]}
        onPress={choose}
        disabled={locked}
      />
      {question.somethingElse ? (
        <SomethingElse
          kept={ownWords(chosen) ?? ''}
          locked={locked}
          onKeep={(words) => {
            const changes = words !== '' || ownWords(chosen) !== null;
            return changes ? give(words ? ownAnswer(words) : null) : Promise.resolve(null);
          }}
        />
      ) : null}
    </Column>
  );
}

export function ChoicesPart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const { question } = state;
  if (question.kind !== 'choices') return null;
  const chosen = Array.isArray(state.answer?.value) ? (state.answer.value as string[]) : [];
  const keep = (next: readonly string[]) => give(next.length > 0 ? next : null);
  const offered = chosen.filter((key) => ownWords(key) === null);
  const own = chosen.find((key) => ownWords(key) !== null);
  return (
    <Column gap="$2">
      <Lines
        several
        label={question.label}
        options={asLines(question.options)}
        chosen={chosen}
        onPress={(value) =>
          void keep(
            chosen.includes(value) ? chosen.filter((key) => key !== value) : [...chosen, value],
          )
        }
        disabled={locked}
      />
      {question.somethingElse ? (
        <SomethingElse
          kept={own ? (ownWords(own) ?? '') : ''}
          locked={locked}
          onKeep={(words) => keep(words ? [...offered, ownAnswer(words)] : offered)}
        />
      ) : null}
    </Column>
  );
}

interface SomethingElseProps {
  readonly kept: string;
  readonly locked: boolean;
  readonly onKeep: (words: string) => Promise<string | null>;
}

const SomethingElse = ({ kept, locked, onKeep }: SomethingElseProps) => (
  <DraftInput
    label="Something else"
    kept={kept}
    locked={locked}
    keep={(words) => onKeep(words.trim())}
  />
);
