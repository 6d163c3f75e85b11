import type { Dossier } from '@ant-trail/contract/review';
import type { AnswerValue } from '@ant-trail/core/log';
import { readNumber, writeUnit } from '@ant-trail/core/measure';
import { sayAnswer, type QuestionState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Lines } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { DateField } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { useMe } from '@/features/accounts/session.ts';
import { DeskRefusal, writeFromDesk } from './desk-entries.ts';
import type { ReadingState } from './read-dossier.ts';

export interface CorrectDialogProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  readonly state: QuestionState;
  readonly onClose: () => void;
  readonly onDone: () => void;
}

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
  { value: 'na', label: 'Not applicable' },
];

/** Corrects a value with a reason; what was there stays in the history. */
export function CorrectDialog({ dossier, reading, state, onClose, onDone }: CorrectDialogProps) {
  const { person } = useMe();
  const { question, answer } = state;
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<string[]>([]);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const path = question.key;

  const options =
    question.kind === 'yesNo'
      ? YES_NO
      : question.kind === 'choice' || question.kind === 'choices'
        ? question.options.map(({ key, label }) => ({ value: key, label }))
        : null;
  const correctable = options !== null || ['number', 'text', 'date'].includes(question.kind);

  const valueOf = (): { value: AnswerValue } | { problem: string } => {
    if (question.kind === 'choices') return { value: chosen };
    if (options) return chosen[0] ? { value: chosen[0] } : { problem: 'Choose the right answer.' };
    if (question.kind === 'number') return readNumber(text);
    return text.trim() ? { value: text.trim() } : { problem: 'Write the right answer.' };
  };
  const send = async () => {
    const read = valueOf();
    if ('problem' in read) return setProblem(read.problem);
    if (!reason.trim()) return setProblem('Say why the value is corrected.');
    try {
      await writeFromDesk({
        sheet: dossier.sheet.id,
        path,
        kind: 'correct',
        value: read.value,
        ...(question.kind === 'number' ? { unit: question.unit } : {}),
        reason: reason.trim(),
        seen: reading.open.headsOf(path),
        by: person.id,
      });
      onDone();
    } catch (error) {
      setProblem(error instanceof DeskRefusal ? error.message : wordsFor(error));
    }
    return undefined;
  };
  const toggle = (value: string): void =>
    setChosen((before) =>
      question.kind !== 'choices'
        ? [value]
        : before.includes(value)
          ? before.filter((each) => each !== value)
          : [...before, value],
    );
  return (
    <Dialog title={`Correct: ${question.label}`} onClose={onClose}>
      <Column gap="$3">
        <Body>Now: {answer ? sayAnswer(question, answer.value, answer.unit) : 'not answered'}</Body>
        {!correctable ? (
          <Body quiet>
            Photos, signatures and acknowledgements are not corrected here. Return the sheet
            instead.
          </Body>
        ) : (
          <>
            {options ? (
              <Lines
                label="The right answer"
                several={question.kind === 'choices'}
                options={options}
                chosen={chosen}
                onPress={toggle}
              />
            ) : question.kind === 'date' ? (
              <DateField label="The right day" type="date" value={text} onChange={setText} />
            ) : (
              <Input
                label={`The right value${question.kind === 'number' ? `, in ${writeUnit(question.unit)}` : ''}`}
                kind={question.kind === 'number' ? 'decimal' : 'text'}
                value={text}
                onChange={setText}
                autoFocus
              />
            )}
            <Input label="Why?" value={reason} onChange={setReason} />
            {problem ? (
              <Body small eyes strong role="alert">
                {problem}
              </Body>
            ) : null}
            <Button main onPress={() => void send()}>
              Correct it
            </Button>
          </>
        )}
      </Column>
    </Dialog>
  );
}
