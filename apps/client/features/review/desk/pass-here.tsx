import type { HoldValue } from '@ant-trail/core/log';
import type { QuestionState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { useMe } from '@/features/accounts/session.ts';
import { DeskRefusal, writeFromDesk } from '@/features/capture/desk/desk-entries.ts';

export interface PassHereProps {
  readonly sheet: string;
  readonly state: QuestionState;
  readonly seen: readonly string[];
  readonly onDone: () => void;
}

const VERDICTS = [
  { value: 'passed', label: 'I pass it' },
  { value: 'refused', label: 'I refuse it' },
] as const;

/** Whoever is signed in at the desk passes a hold point under their own name. */
export function PassHere({ sheet, state, seen, onDone }: PassHereProps) {
  const { person } = useMe();
  const [verdict, setVerdict] = useState<HoldValue['verdict']>('passed');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const send = async (): Promise<void> => {
    if (verdict === 'refused' && !note.trim()) {
      setProblem('Say why it is refused.');
      return;
    }
    try {
      await writeFromDesk({
        ...{ sheet, path: state.path, kind: 'answer', seen, by: person.id },
        value: {
          ...{ verdict, name: person.name, person: person.id, strokes: [] },
          ...(note.trim() ? { note: note.trim() } : {}),
        },
      });
      onDone();
    } catch (error) {
      setProblem(error instanceof DeskRefusal ? error.message : wordsFor(error));
    }
  };
  return (
    <Column gap="$3">
      <Body quiet>
        This can’t be corrected. If you did not work on the sheet yourself, give your own word.
      </Body>
      <Segments
        label="Your word on it"
        options={VERDICTS}
        chosen={[verdict]}
        onPress={setVerdict}
      />
      <Input
        label={verdict === 'refused' ? 'Why?' : 'A note, if you like'}
        value={note}
        onChange={setNote}
      />
      {problem ? (
        <Body small eyes strong role="alert">
          {problem}
        </Body>
      ) : null}
      <Button main onPress={() => send()}>
        {`${verdict === 'passed' ? 'Pass' : 'Refuse'} it as ${person.name}`}
      </Button>
    </Column>
  );
}
