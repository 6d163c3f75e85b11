import type { SignatureValue } from '@ant-trail/core/log';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Lines } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { SignaturePad } from '@/design/signature-pad.tsx';
import { Body } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import type { TrailStop } from './trail.ts';

/** Whoever answers for the place signs: named out of its people, or as they say. */
export function SigningDialog({ stop, onClose }: { stop: TrailStop; onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const { visit, job, site } = stop;
  const [known, setKnown] = useState<string | null>(null);
  const contact = site.contacts.find(({ name }) => name === known);
  const [role, setRole] = useState('');
  const sign = async (signature: SignatureValue): Promise<void> => {
    const { name, strokes } = signature;
    await doHere(store, {
      kind: 'signed on site',
      body: {
        ...{ id: newId(), job: job.id, visit: visit.id, role: role.trim() },
        signature: signature.typed
          ? { name, strokes: [], typed: true }
          : { name, strokes: strokes.map((stroke) => stroke.map(([x, y]) => [x, y])) },
        ...{ by: person.id, at: new Date().toISOString() },
      },
    });
    engine.soon();
    onClose();
  };
  return (
    <Dialog title="Signed by whoever answers for the place" onClose={onClose}>
      <Column gap="$3">
        <Body small quiet>
          {site.name}: {job.title}
        </Body>
        {site.contacts.length > 0 ? (
          <Lines
            label="Who it is"
            chosen={known === null ? [] : [known]}
            options={site.contacts.map(({ name }) => ({ value: name, label: name }))}
            onPress={(name) => {
              setKnown(name);
              setRole(site.contacts.find((each) => each.name === name)?.role ?? '');
            }}
          />
        ) : null}
        <SignaturePad
          key={known ?? ''}
          label="Signature"
          signer={contact?.name ?? ''}
          mayType
          onSign={(value) => void sign(value)}
        >
          <Input
            label="What they are here"
            value={role}
            onChange={setRole}
            help="Such as “warden”. It may stay empty."
          />
        </SignaturePad>
      </Column>
    </Dialog>
  );
}
