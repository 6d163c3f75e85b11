import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { LabelReader } from '@/features/tags/field/label-reader.tsx';
import { sayLabel, type Label } from '@/features/tags/field/label.ts';
import type { ScanRowProps } from '@/features/trades/part.ts';

/** The label on a thing leads to its row, whatever is shown of the list. */
export function ScanRow({ each, rows, scanning, onScanning, onFound }: ScanRowProps) {
  const { store } = usePhone();
  const [trouble, setTrouble] = useState<string | null>(null);
  const read = async (label: Label): Promise<void> => {
    onScanning(false);
    const row = rows.find(({ id }) => id === label.asset);
    if (row) return onFound(row.id);
    const thing = label.asset ? await store.assets.get(label.asset) : null;
    setTrouble(
      thing
        ? `${thing.name} has no row in this sheet: put it in from the register first.`
        : `${sayLabel(label)} is on nothing yet. Put it on its ${each} under “Find a thing”.`,
    );
  };
  return (
    <Column gap="$1">
      <Button
        dense
        onPress={() => {
          setTrouble(null);
          onScanning(true);
        }}
      >
        Scan a label
      </Button>
      {trouble ? (
        <Body small eyes role="alert">
          {trouble}
        </Body>
      ) : null}
      {scanning ? (
        <LabelReader
          title={`Scan the label of a ${each}`}
          onRead={(label) => void read(label)}
          onClose={() => onScanning(false)}
        />
      ) : null}
    </Column>
  );
}
