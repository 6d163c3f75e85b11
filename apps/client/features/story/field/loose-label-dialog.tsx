import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { FindPlace } from '@/features/sites/field/find-place.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { sayLabel, type Label } from '@/features/tags/field/label.ts';

/** A label that is on nothing: it is put on something, or the office hears of it. */
export function LooseLabelDialog({ label, onClose }: { label: Label; onClose: () => void }) {
  const router = useRouter();
  const [reporting, setReporting] = useState(false);
  if (reporting) return <ReportDialog label={label} onClose={onClose} />;
  return (
    <Dialog title={`${sayLabel(label)} is on nothing yet`} onClose={onClose}>
      <Column gap="$3">
        <Button
          main
          onPress={() => {
            onClose();
            router.navigate(`/labels?label=${label.id}`);
          }}
        >
          Put it on a thing
        </Button>
        <Button onPress={() => setReporting(true)}>Report it</Button>
      </Column>
    </Dialog>
  );
}

/** The office hears where a label was found that leads nowhere. */
function ReportDialog({ label, onClose }: { label: Label; onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const [site, setSite] = useState<string | null>(null);
  const [asked, setAsked] = useState(false);
  const report = async (): Promise<void> => {
    if (!site) return setAsked(true);
    const text = `${sayLabel(label)} was found here, and is on no thing of the register.`;
    await doHere(store, {
      kind: 'site note',
      body: { id: newId(), site, text, by: person.id, at: new Date().toISOString() },
    });
    engine.soon();
    onClose();
  };
  return (
    <Dialog title="Report the label" onClose={onClose}>
      <Column gap="$3">
        <FindPlace
          label="Where did you find it?"
          chosen={site}
          onChoose={setSite}
          missing={asked}
        />
        <Body small quiet>
          It becomes a note at the place, which the office sees too.
        </Body>
        <Button main onPress={() => report()}>
          Report it
        </Button>
      </Column>
    </Dialog>
  );
}
