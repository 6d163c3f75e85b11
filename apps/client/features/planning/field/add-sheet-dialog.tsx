import type { TemplateVersion } from '@ant-trail/core/sheet';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { addSheet } from './own-work.ts';
import { PickTemplate } from './pick-template.tsx';
import type { TrailStop } from './trail.ts';

/** One more sheet at this job, for the whole place or for a thing that stands there. */
export function AddSheetDialog({ stop, onClose }: { stop: TrailStop; onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const things =
    useLive(() => store.assets.where('site').equals(stop.site.id).toArray(), [store]) ?? [];
  const [version, setVersion] = useState<TemplateVersion | null>(null);
  const [asset, setAsset] = useState<string | null>(null);
  const [asked, setAsked] = useState(false);
  const [busy, setBusy] = useState(false);
  const add = async (): Promise<void> => {
    if (!version) return setAsked(true);
    setBusy(true);
    const sheet = await addSheet(store, person.id, stop.job.id, version, asset);
    engine.soon();
    onClose();
    router.navigate(`/sheet/${sheet}`);
  };
  return (
    <Dialog title="One more sheet" onClose={onClose}>
      <Column gap="$3">
        <PickTemplate chosen={version} onChoose={setVersion} missing={asked} />
        {things.length > 0 ? (
          <FindAmong
            label="What is it about?"
            empty="The whole place"
            chosen={asset}
            onChoose={setAsset}
            options={things
              .filter(({ retired }) => !retired)
              .map(({ id, name }) => ({ value: id, label: name }))}
          />
        ) : null}
        <Button main onPress={() => add()} disabled={busy}>
          Add it and begin
        </Button>
      </Column>
    </Dialog>
  );
}
