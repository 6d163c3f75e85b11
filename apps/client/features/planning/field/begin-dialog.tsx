import type { TemplateVersion } from '@ant-trail/core/sheet';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { FindPlace } from '@/features/sites/field/find-place.tsx';
import {
  FoundPlaceFields,
  keepFoundPlace,
  type PlaceSaid,
} from '@/features/sites/field/found-place.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { AsFavourite, useFavourites } from './favourites.tsx';
import { beginJob } from './own-work.ts';
import { PickTemplate } from './pick-template.tsx';

/** Work that nobody planned begins here, at a place and with a sheet this phone knows. */
export function BeginDialog({ onClose }: { onClose: () => void }) {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const router = useRouter();
  const first = useFavourites('place');
  const [site, setSite] = useState<string | null>(null);
  const [version, setVersion] = useState<TemplateVersion | null>(null);
  const [asked, setAsked] = useState(false);
  const [busy, setBusy] = useState(false);
  const [found, setFound] = useState<PlaceSaid | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const begin = async (): Promise<void> => {
    const named = found ? found.name.trim() !== '' : site !== null;
    if (!named || !version) return setAsked(true);
    setBusy(true);
    const at = found ? await keepFoundPlace(store, person.id, found) : site;
    if (!at) {
      setBusy(false);
      return setProblem(
        'Nothing tells where this is. Let the page use your position, and try again.',
      );
    }
    const visit = await beginJob(
      store,
      person.id,
      { site: at, asset: null },
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
        {found ? (
          <>
            <FoundPlaceFields
              said={found}
              onChange={setFound}
              onKnown={(known) => {
                setSite(known);
                setFound(null);
              }}
              missing={asked}
            />
            <Row>
              <Button dense plain onPress={() => setFound(null)}>
                Choose a known place
              </Button>
            </Row>
          </>
        ) : (
          <>
            <FindPlace
              label="Where are you?"
              chosen={site}
              onChoose={setSite}
              missing={asked}
              first={first}
            />
            <AsFavourite of="place" chosen={site} />
            <Row>
              <Button dense plain onPress={() => setFound({ name: '', address: '' })}>
                The place is not among them
              </Button>
            </Row>
          </>
        )}
        <PickTemplate chosen={version} onChoose={setVersion} missing={asked} />
        <AsFavourite of="sheet" chosen={version?.template ?? null} />
        <Body small quiet>
          All places of your branch are on this phone. It goes on your trail, and the office sees
          it.
        </Body>
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={() => begin()} disabled={busy}>
          Put it on my trail
        </Button>
      </Column>
    </Dialog>
  );
}
