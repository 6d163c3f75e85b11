import { useState } from 'react';
import { Button } from '@/design/button.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { LabelReader } from '@/features/tags/field/label-reader.tsx';
import { sayLabel, type Label } from '@/features/tags/field/label.ts';
import type { ScanRowProps } from '@/features/trades/part.ts';

/** The label on a thing leads to its row, whatever is shown of the list. */
export function ScanRow({ each, rows, scanning, onScanning, onFound, onTrouble }: ScanRowProps) {
  const { store } = usePhone();
  // Scanned on, the camera still sees the label that was dealt with.
  const [last, setLast] = useState<string | null>(null);
  const read = async (label: Label): Promise<void> => {
    onScanning(false);
    setLast(label.id);
    const row = rows.find(({ id }) => id === label.asset);
    if (row) return onFound(row.id);
    const thing = label.asset ? await store.assets.get(label.asset) : null;
    onTrouble(
      thing
        ? `${thing.name} has no row in this sheet: put it in from the register first.`
        : `${sayLabel(label)} is on nothing yet. Put it on its ${each} under “Find a thing”.`,
    );
  };
  return (
    <>
      <Button
        dense
        onPress={() => {
          setLast(null);
          onTrouble(null);
          onScanning(true);
        }}
      >
        Scan a label
      </Button>
      {scanning ? (
        <LabelReader
          title={`Scan the label of a ${each}`}
          except={last}
          onRead={(label) => void read(label)}
          onClose={() => onScanning(false)}
        />
      ) : null}
    </>
  );
}
