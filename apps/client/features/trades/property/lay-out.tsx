import type { RowState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { NumberField } from '@/design/number-field.tsx';
import { Body } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import type { KitRowsProps } from '../part.ts';
import { roomOn, saidForPlaces } from './spots.ts';
import type { PropertyKit } from './use-property.ts';

interface LayOutProps {
  readonly kit: PropertyKit;
  readonly wall: RowState;
  readonly write: KitRowsProps['write'];
  /** With the path of the first that was laid out; null where none was. */
  readonly onClose: (first: string | null) => void;
}

/** Lays places to read out on a wall: so many across, so many up, so far apart. */
export function LayOut({ kit, wall, write, onClose }: LayOutProps) {
  const [columns, setColumns] = useState<number | undefined>(4);
  const [lines, setLines] = useState<number | undefined>(3);
  const [apart, setApart] = useState<number | undefined>(0.6);
  const [problem, setProblem] = useState<string | null>(null);
  const lay = async (): Promise<void> => {
    const laid = kit.layOut(columns ?? 0, lines ?? 0, apart ?? 0);
    if ('problem' in laid) return setProblem(laid.problem);
    const room = roomOn(wall);
    if (room !== null && laid.places.length > room)
      return setProblem(`There is room for ${room} more.`);
    const said = saidForPlaces(wall, laid.places, newId);
    const refused = await write(said);
    if (refused === null) onClose(said[0]?.path ?? null);
    else setProblem(refused);
    return undefined;
  };
  return (
    <Dialog title="Where to read" onClose={() => onClose(null)} easy>
      <Column gap="$3">
        <Body small quiet>
          From the left end of the wall, and from the floor up.
        </Body>
        <NumberField label="Readings across" value={columns} onChange={setColumns} />
        <NumberField label="Readings up" value={lines} onChange={setLines} />
        <NumberField label="Metres apart" value={apart} onChange={setApart} />
        {problem ? (
          <Body small eyes role="alert">
            {problem}
          </Body>
        ) : null}
        <Button main onPress={lay}>
          Lay out
        </Button>
      </Column>
    </Dialog>
  );
}
