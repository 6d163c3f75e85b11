import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useColleagues } from '@/features/accounts/use-colleagues.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { handOver, type Given } from './own-work.ts';

export interface HandOverDialogProps {
  /** What is handed over, as people call it. */
  readonly what: string;
  readonly of: Pick<Given, 'job' | 'visit' | 'sheet'>;
  readonly onClose: () => void;
  readonly onDone: () => void;
}

/** A visit or a sheet goes to a colleague, half done or not begun. */
export function HandOverDialog({ what, of, onClose, onDone }: HandOverDialogProps) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const people = useColleagues(store);
  const [to, setTo] = useState<string | null>(null);
  const [word, setWord] = useState('');
  const [asked, setAsked] = useState(false);
  const [busy, setBusy] = useState(false);
  const give = async (): Promise<void> => {
    if (!to) return setAsked(true);
    setBusy(true);
    await handOver(store, person.id, { ...of, to, word: word.trim() });
    engine.soon();
    onDone();
  };
  return (
    <Dialog title={`Hand over: ${what}`} onClose={onClose}>
      <Column gap="$3">
        <FindAmong
          label="To whom?"
          chosen={to}
          onChoose={setTo}
          problem={asked && !to ? 'Choose a colleague.' : undefined}
          options={people
            .filter(({ id }) => id !== person.id)
            .map(({ id, name }) => ({ value: id, label: name }))}
        />
        <Input label="A note with it, if you like" value={word} onChange={setWord} lines={2} />
        <Body small quiet>
          Everything recorded so far goes with it. What is still kept on this phone is sent all the
          same.
        </Body>
        <Button main onPress={() => give()} disabled={busy}>
          Hand it over
        </Button>
      </Column>
    </Dialog>
  );
}
