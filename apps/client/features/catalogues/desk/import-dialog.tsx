import { CatalogueSummary } from '@ant-trail/contract/catalogues';
import { MOST_ROWS } from '@ant-trail/core/catalogues';
import { guessColumns, readTable, type ColumnUse, type ReadTable } from '@ant-trail/core/exchange';
import { freeKey } from '@ant-trail/core/logic';
import { useMemo, useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Tick } from '@/design/tick.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { PickTable, type PickedTable } from '@/features/exchange/desk/pick-table.tsx';
import { RefusedLines } from '@/features/exchange/desk/refused-lines.tsx';

export interface ImportDialogProps {
  /** The catalogue it takes the place of; null makes a new one. */
  readonly onto: CatalogueSummary | null;
  /** Keys that other catalogues have. */
  readonly taken: ReadonlySet<string>;
  readonly onClose: () => void;
  readonly onDone: () => void;
}

const SAMPLED = 50;

/** “Spare parts” from “spare_parts.csv”. */
function nameFrom(file: string): string {
  const words = file
    .replace(/\.[^.]*$/, '')
    .replaceAll(/[_-]+/g, ' ')
    .trim();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** A file becomes a catalogue: what each column is, what can't be taken in and why, then all at once. */
export function ImportDialog({ onto, taken, onClose, onDone }: ImportDialogProps) {
  const [table, setTable] = useState<PickedTable | null>(null);
  const [uses, setUses] = useState<readonly ColumnUse[]>([]);
  const [name, setName] = useState(onto?.name ?? '');
  const read = useMemo(() => (table ? readTable(table.lines, uses) : null), [table, uses]);
  const picked = (next: PickedTable): void => {
    setTable(next);
    setUses(guessColumns(next.lines[0] ?? [], next.lines.slice(1, SAMPLED)));
    if (!name) setName(nameFrom(next.name));
  };
  return (
    <Dialog
      title={onto ? `Import ${onto.name} anew` : 'Import a catalogue'}
      onClose={onClose}
      width={760}
    >
      <Column gap="$4">
        <Column gap="$2">
          <Body small quiet>
            A CSV or XLSX file: titles in its first line, then one line for each thing, up to{' '}
            {MOST_ROWS.toLocaleString('en')}.
          </Body>
          <PickTable label={table ? 'Choose another file' : 'Choose the file'} onPicked={picked} />
        </Column>
        {table && read ? (
          <>
            <Input label="Name of the catalogue" value={name} onChange={setName} />
            <Columns table={table} uses={uses} onChange={setUses} />
            <Result
              key={table.name}
              read={read}
              onImport={async () => {
                await ask(CatalogueSummary, 'POST', '/api/catalogues', {
                  after: onto?.number ?? 0,
                  key: onto?.key ?? freeKey(name, taken),
                  name,
                  columns: read.columns,
                  rows: read.rows,
                });
                onDone();
              }}
            />
          </>
        ) : null}
      </Column>
    </Dialog>
  );
}

const USES = [
  { value: 'name', label: 'The name' },
  { value: 'code', label: 'The code' },
  { value: 'text', label: 'Words' },
  { value: 'number', label: 'Numbers' },
  { value: 'nothing', label: 'Left out' },
] as const;
type Use = (typeof USES)[number]['value'];

interface ColumnsProps {
  readonly table: PickedTable;
  readonly uses: readonly ColumnUse[];
  readonly onChange: (uses: readonly ColumnUse[]) => void;
}

/** Says what each column of the file is. */
function Columns({ table, uses, onChange }: ColumnsProps) {
  const [titles = [], ...rest] = table.lines;
  const set = (at: number, use: Use): void => {
    const label = titles[at]?.trim() || `Column ${at + 1}`;
    const keys = new Set(uses.flatMap((each) => (each.use === 'field' ? [each.column.key] : [])));
    const before = uses[at];
    const key = before?.use === 'field' ? before.column.key : freeKey(label, keys);
    onChange(
      uses.map((each, index): ColumnUse => {
        if (index === at)
          return use === 'text' || use === 'number'
            ? { use: 'field', column: { key, label, kind: use } }
            : { use };
        // There is one name and one code.
        return each.use === use && (use === 'name' || use === 'code') ? { use: 'nothing' } : each;
      }),
    );
  };
  return (
    <Column gap="$1" role="group" aria-label="Columns">
      <Heading>What is in each column</Heading>
      {titles.map((title, at) => {
        const use = uses[at];
        const sample = rest
          .slice(0, 3)
          .map((cells) => cells[at] ?? '')
          .filter(Boolean)
          .join(' · ');
        return (
          <Row key={at} gap="$3">
            <Body strong small width={180} numberOfLines={1}>
              {title || `Column ${at + 1}`}
            </Body>
            <Column width={140}>
              <Pick
                label={`${title || `Column ${at + 1}`} is`}
                hideLabel
                value={use?.use === 'field' ? use.column.kind : (use?.use ?? 'nothing')}
                options={USES}
                onChange={(value) => set(at, value as Use)}
              />
            </Column>
            <Body small quiet numberOfLines={1} flex={1} minWidth={0}>
              {sample || 'empty'}
            </Body>
          </Row>
        );
      })}
    </Column>
  );
}

/** What would come in and what not, line by line; nothing is imported by halves unasked. */
function Result({ read, onImport }: { read: ReadTable; onImport: () => Promise<void> }) {
  const [without, setWithout] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { rows, refused } = read;
  const lines = `${refused.length} ${refused.length === 1 ? 'line' : 'lines'}`;
  const send = async () => {
    try {
      await onImport();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Column gap="$3">
      <Rule />
      <Body role="status">
        <Figure strong>{rows.length.toLocaleString('en')}</Figure>{' '}
        {rows.length === 1 ? 'row' : 'rows'} can be taken in
        {refused.length > 0 ? `, ${lines} can’t:` : ', all of them.'}
      </Body>
      {refused.length > 0 ? (
        <>
          <RefusedLines refused={refused} />
          <Tick
            label={`Import without ${refused.length === 1 ? 'this line' : `these ${lines}`}; or mend the file and choose it again`}
            on={without}
            onPress={() => setWithout(!without)}
          />
        </>
      ) : null}
      {problem ? (
        <Body eyes role="alert">
          {problem}
        </Body>
      ) : null}
      <Button
        main
        disabled={rows.length === 0 || (refused.length > 0 && !without)}
        onPress={() => send()}
      >
        Import {rows.length.toLocaleString('en')} {rows.length === 1 ? 'row' : 'rows'}
      </Button>
    </Column>
  );
}
