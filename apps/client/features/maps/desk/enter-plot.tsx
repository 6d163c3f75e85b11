import type { MapPoint } from '@ant-trail/contract/maps';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { ThingDialog } from '@/features/register/desk/thing-dialog.tsx';
import { FindSite } from '@/features/sites/desk/find-site.tsx';
import type { Plot } from '../plots.ts';
import { placeFor } from './plot-lines.ts';

export interface EnterPlotProps {
  readonly plot: Plot;
  readonly places: readonly MapPoint[];
  readonly onClose: () => void;
  readonly onEntered: () => void;
}

/** A plot of the map becomes a thing of the register: at which place, and then what it is. */
export function EnterPlot({ plot, places, onClose, onEntered }: EnterPlotProps) {
  const [place, setPlace] = useState<{ id: string; name: string } | null>(() =>
    placeFor(plot.shape, places),
  );
  const [settled, setSettled] = useState(false);
  if (settled && place)
    return (
      <ThingDialog
        site={place.id}
        thing={null}
        things={[]}
        within={null}
        begin={{ name: plot.name, shape: plot.shape }}
        onClose={onClose}
        onSaved={onEntered}
      />
    );
  return (
    <Dialog title={plot.name} onClose={onClose} width={460}>
      <Column gap="$3">
        <Body>To which place does it belong? What stands there is known with it.</Body>
        <FindSite label="Place" chosen={place} onChoose={setPlace} />
        <Button main disabled={place === null} onPress={() => setSettled(true)}>
          Go on
        </Button>
      </Column>
    </Dialog>
  );
}
