import { Asset, AssetsAnswer } from '@ant-trail/contract/register';
import type { Site } from '@ant-trail/contract/sites';
import { problemWithPlacing } from '@ant-trail/core/register';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { FindSite } from './find-site.tsx';

export interface MoveThingDialogProps {
  readonly thing: Asset;
  readonly from: Pick<Site, 'id' | 'name'>;
  readonly onClose: () => void;
  readonly onMoved: (thing: Asset) => void;
}

/** Moves a thing, with all that stands in it, within its place or to another one. */
export function MoveThingDialog({ thing, from, onClose, onMoved }: MoveThingDialogProps) {
  const [site, setSite] = useState<Pick<Site, 'id' | 'name'> | null>(from);
  const [within, setWithin] = useState(thing.within);
  const [problem, setProblem] = useState<string | null>(null);
  const { answer } = useOffice(AssetsAnswer, site && `/api/sites/${site.id}/assets`, ['asset']);
  const there = answer?.assets ?? [];
  const all = there.some(({ id }) => id === thing.id) ? there : [...there, thing];
  const move = async (): Promise<void> => {
    if (!site) return setProblem('Choose the place.');
    try {
      const to = { site: site.id, within };
      const moved = await ask(Asset, 'POST', `/api/assets/${thing.id}/move`, to);
      onClose();
      onMoved(moved);
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title={`Move ${thing.name}`} onClose={onClose}>
      <Column gap="$3">
        <FindSite
          label="To which place?"
          chosen={site}
          onChoose={(chosen) => {
            setSite(chosen);
            setWithin(null);
          }}
        />
        <FindAmong
          label="Where does it stand there?"
          empty="At the place itself"
          chosen={within}
          onChoose={setWithin}
          options={all
            .filter((each) => !each.retired && problemWithPlacing(thing, each.id, all) === null)
            .map((each) => ({ value: each.id, label: each.name, about: each.kind }))}
        />
        <Body small quiet>
          What stands in it moves along; what was recorded on it stays with it.
        </Body>
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={move}>
          Move it
        </Button>
      </Column>
    </Dialog>
  );
}
