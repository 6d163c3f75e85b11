import type { TemplateVersion } from '@ant-trail/core/sheet';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { FindPlace } from '@/features/sites/field/find-place.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { beginJob } from './own-work.ts';
import { PickTemplate } from './pick-template.tsx';

/** Work that nobody planned begins here, at a place and with a sheet this phone knows. */
export function BeginDialog({ onClose }: { onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const router = useRouter();
  const [site, setSite] = useState<string | null>(null);
  const [version, setVersion] = useState<TemplateVersion | null>(null);
  const [asked, setAsked] = useState(false);
  const [busy, setBusy] = useState(false);
  const begin = async (): Promise<void> => {
    if (!site || !version) return setAsked(true);
    setBusy(true);
    const visit = await beginJob(
      store,
      person.id,
      { site, asset: null },
      version,
      organisation.timeZone,
    );
    engine.soon();
    onClose();
    router.navigate(`/visit/${visit}`);
  };
  return (
    <Dialog title="Work that is not planned" onClose={onClose}>
      <Column gap="$3">
        <FindPlace label="Where are you?" chosen={site} onChoose={setSite} missing={asked} />
        <PickTemplate chosen={version} onChoose={setVersion} missing={asked} />
        <Body small quiet>
          All places of your branch are on this phone. It goes on your trail, and the office sees
          it.
        </Body>
        <Button main onPress={() => begin()} disabled={busy}>
          Put it on my trail
        </Button>
      </Column>
    </Dialog>
  );
}
