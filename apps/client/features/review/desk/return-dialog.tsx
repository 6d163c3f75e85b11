import type { Dossier } from '@ant-trail/contract/review';
import { STAGE_PATH } from '@ant-trail/core/log';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { DeskRefusal, writeFromDesk } from '@/features/capture/desk/desk-entries.ts';
import type { ReadingState } from './read-dossier.ts';

export interface ReturnDialogProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  readonly onClose: () => void;
  readonly onDone: () => void;
}

/** Gives a sheet back to the person who filled it in, with a word. */
export function ReturnDialog({ dossier, reading, onClose, onDone }: ReturnDialogProps) {
  const { person } = useMe();
  const people = usePeople();
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string | undefined>();
  const send = async () => {
    if (!words.trim()) {
      setProblem('Say what should be looked at again.');
      return;
    }
    try {
      await writeFromDesk({
        sheet: dossier.sheet.id,
        path: STAGE_PATH,
        kind: 'return',
        value: null,
        reason: words.trim(),
        seen: reading.open.headsOf(STAGE_PATH),
        by: person.id,
      });
      onDone();
    } catch (error) {
      setProblem(error instanceof DeskRefusal ? error.message : wordsFor(error));
    }
  };
  return (
    <Dialog title="Return with a note" onClose={onClose}>
      <Column gap="$3">
        <Body small quiet>
          It is on the trail of {people.name(dossier.visit.person)} again at the next sync.
        </Body>
        <Input
          label="What should be looked at again?"
          lines={3}
          value={words}
          onChange={setWords}
          problem={problem}
          autoFocus
        />
        <Button main onPress={() => send()}>
          Return it
        </Button>
      </Column>
    </Dialog>
  );
}
