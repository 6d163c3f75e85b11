import type { Dossier } from '@ant-trail/contract/review';
import { rulesOf, sayState, type QuestionState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { useMe } from '@/features/accounts/session.ts';
import { AtPlace } from '@/features/kinds/desk/at-place.ts';
import type { Given } from '@/features/kinds/desk/control.ts';
import { deskControl } from '@/features/kinds/desk/controls.ts';
import { DeskRefusal, writeFromDesk } from '@/features/capture/desk/desk-entries.ts';
import { PassHere } from './pass-here.tsx';
import type { ReadingState } from './read-dossier.ts';

export interface CorrectDialogProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  readonly state: QuestionState;
  readonly onClose: () => void;
  readonly onDone: () => void;
}

/** Corrects a value with a reason; what was there stays in the history. */
export function CorrectDialog({ dossier, reading, state, onClose, onDone }: CorrectDialogProps) {
  const { person } = useMe();
  const { question, path } = state;
  const [given, setGiven] = useState<Given>({ value: null });
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const Control = rulesOf(question).neverCorrected ? null : deskControl(question);

  const send = async () => {
    if ('problem' in given) return setProblem(given.problem);
    if (given.value === null) return setProblem('Give the right answer first.');
    if (!reason.trim()) return setProblem('Say why the value is corrected.');
    try {
      await writeFromDesk({
        sheet: dossier.sheet.id,
        path,
        kind: 'correct',
        value: given.value,
        ...(given.unit === undefined ? {} : { unit: given.unit }),
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
  return (
    <Dialog title={`Correct: ${question.label}`} onClose={onClose}>
      <Column gap="$3">
        <Body>Now: {sayState(state, sayShortDay)}</Body>
        {question.kind === 'hold' ? (
          <PassHere
            sheet={dossier.sheet.id}
            state={state}
            seen={reading.open.headsOf(path)}
            onDone={onDone}
          />
        ) : !Control ? (
          <Body quiet>
            Photos, signatures and acknowledgements are not corrected here. Return the sheet
            instead.
          </Body>
        ) : (
          <>
            <AtPlace value={dossier.site.id}>
              <Control
                question={question}
                label="The right answer"
                value={'value' in given ? given.value : null}
                onGive={(next) => {
                  setGiven(next);
                  setProblem(null);
                }}
              />
            </AtPlace>
            <Input label="Why?" value={reason} onChange={setReason} />
            {problem ? (
              <Body small eyes strong role="alert">
                {problem}
              </Body>
            ) : null}
            <Button main onPress={() => send()}>
              Correct it
            </Button>
          </>
        )}
      </Column>
    </Dialog>
  );
}
