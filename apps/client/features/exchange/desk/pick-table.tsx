import { LARGEST_TABLE, TableLines } from '@ant-trail/contract/exchange';
import { useRef, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';

export interface PickedTable {
  readonly name: string;
  readonly lines: readonly (readonly string[])[];
  /** The file itself, as base64. */
  readonly content: string;
}

/** Chooses a CSV, XLSX or GeoJSON file and has the office read its lines. */
export function PickTable({
  label,
  onPicked,
}: {
  readonly label: string;
  readonly onPicked: (table: PickedTable) => void;
}) {
  const picker = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setProblem(null);
    setBusy(true);
    try {
      onPicked({ name: file.name, ...(await readFile(file)) });
    } catch (error) {
      setProblem(error instanceof TooLarge ? error.message : wordsFor(error));
    }
    setBusy(false);
    if (picker.current) picker.current.value = '';
  };
  return (
    <Column gap="$2">
      <Row>
        <input
          ref={picker}
          type="file"
          accept=".csv,.txt,.xlsx,.geojson,.json"
          hidden
          aria-label={label}
          onChange={(event) => void take(event.target.files?.[0])}
        />
        <Button dense disabled={busy} onPress={() => picker.current?.click()}>
          {busy ? 'Reading it …' : label}
        </Button>
      </Row>
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}

class TooLarge extends Error {}

async function readFile(file: File): Promise<Pick<PickedTable, 'lines' | 'content'>> {
  if (file.size > LARGEST_TABLE)
    throw new TooLarge('This file is larger than 2.5 MB. Take a part of it.');
  const content = await base64(file);
  const { lines } = await ask(TableLines, 'POST', '/api/tables', { name: file.name, content });
  return { lines, content };
}

function base64(file: File): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve((reader.result as string).replace(/^data:[^,]*,/, ''));
    reader.onerror = () => reject(new TooLarge('This file can’t be read. Choose it again.'));
    reader.readAsDataURL(file);
  });
}
