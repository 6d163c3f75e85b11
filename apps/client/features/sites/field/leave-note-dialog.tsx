import { NoteWords } from '@ant-trail/contract/sites';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';

/** A note for whoever comes to this place next; kept here and sent like everything else. */
export function LeaveNoteDialog({ site, onClose }: { site: string; onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const [text, setText] = useState('');
  const [asked, setAsked] = useState(false);
  const [busy, setBusy] = useState(false);
  const note = NoteWords.safeParse(text);
  const leave = async (): Promise<void> => {
    if (!note.success) return setAsked(true);
    setBusy(true);
    await doHere(store, {
      kind: 'site note',
      body: {
        ...{ id: newId(), site, text: note.data, by: person.id },
        at: new Date().toISOString(),
      },
    });
    engine.soon();
    onClose();
  };
  return (
    <Dialog title="Leave a note" onClose={onClose}>
      <Column gap="$3">
        <Input
          label="What should the next one know?"
          lines={3}
          value={text}
          onChange={setText}
          problem={asked ? note.error?.issues[0]?.message : undefined}
        />
        <Body small quiet>
          Everybody who comes to this place sees it, and the office.
        </Body>
        <Button main onPress={() => leave()} disabled={busy}>
          Leave it there
        </Button>
      </Column>
    </Dialog>
  );
}
