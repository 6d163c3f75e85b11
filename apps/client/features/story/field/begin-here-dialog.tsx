import type { Asset } from '@ant-trail/contract/register';
import type { TemplateVersion } from '@ant-trail/core/sheet';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { beginJob } from '@/features/planning/field/own-work.ts';
import { PickTemplate } from '@/features/planning/field/pick-template.tsx';
import { usePhone } from '@/features/sync/phone.tsx';

/** Work that begins at a thing, because somebody stands before it. */
export function BeginHereDialog({ thing, onClose }: { thing: Asset; onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const router = useRouter();
  const [version, setVersion] = useState<TemplateVersion | null>(null);
  const [asked, setAsked] = useState(false);
  const begin = async (): Promise<void> => {
    if (!version) return setAsked(true);
    const at = { site: thing.site, asset: thing.id };
    const visit = await beginJob(store, person.id, at, version, organisation.timeZone);
    engine.soon();
    onClose();
    router.navigate(`/visit/${visit}`);
  };
  return (
    <Dialog title={`Work at ${thing.name}`} onClose={onClose}>
      <Column gap="$3">
        <PickTemplate chosen={version} onChoose={setVersion} missing={asked} />
        <Body small quiet>
          It goes on your trail, and the office sees it.
        </Body>
        <Button main onPress={() => begin()}>
          Put it on my trail
        </Button>
      </Column>
    </Dialog>
  );
}
