import {
  ImportColumns,
  ImportResult,
  type ImportColumn,
  type ImportKind,
} from '@ant-trail/contract/exchange';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { PickTable, type PickedTable } from './pick-table.tsx';
import { RefusedLines } from './refused-lines.tsx';

/** What of each kind is called, one and several, and what should be there before. */
const WORDS: Record<ImportKind, { one: string; several: string; before: string }> = {
  people: {
    ...{ one: 'person', several: 'people' },
    before: 'They can sign in once you have invited them from the list.',
  },
  clients: { one: 'client', several: 'clients', before: '' },
  places: {
    ...{ one: 'place', several: 'places' },
    before: 'A client that is not there yet is made.',
  },
  things: {
    ...{ one: 'thing', several: 'things' },
    before: 'Their places have to be there; areas that are not are made.',
  },
  jobs: {
    ...{ one: 'job', several: 'jobs' },
    before: 'Places, sheets and people have to be there.',
  },
};

const SAMPLES = 3;
const NOTHING = '';

/** What a column most likely is: what it is called decides, and each is taken once. */
function guessed(titles: readonly string[], columns: readonly ImportColumn[]): string[] {
  const taken = new Set<string>();
  return titles.map((title) => {
    const words = title.trim().toLowerCase();
    const found = columns.find(({ key, known }) => !taken.has(key) && known.includes(words));
    if (!found) return NOTHING;
    taken.add(found.key);
    return found.key;
  });
}

export interface ImportRowsDialogProps {
  readonly kind: ImportKind;
  readonly onClose: () => void;
  readonly onDone: () => void;
}

/** A file becomes rows: what each column is, what would come in and what not, then all at once. */
export function ImportRowsDialog({ kind, onClose, onDone }: ImportRowsDialogProps) {
  const words = WORDS[kind];
  const { answer, problem: none } = useOffice(ImportColumns, `/api/imports/${kind}/columns`);
  const columns = answer?.columns ?? [];
  const [table, setTable] = useState<PickedTable | null>(null);
  const [uses, setUses] = useState<readonly string[]>([]);
  const [result, setResult] = useState<ImportResult | null>(null);
  const [without, setWithout] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const send = async (really: boolean): Promise<void> => {
    if (!table) return;
    try {
      const came = await ask(ImportResult, 'POST', `/api/imports/${kind}`, {
        ...{ name: table.name, content: table.content, really, without },
        uses: uses.map((use) => (use === NOTHING ? null : use)),
      });
      setProblem(null);
      setResult(came);
      if (came.done) onDone();
    } catch (error) {
      setProblem(wordsFor(error));
      setResult(null);
    }
  };
  const picked = (next: PickedTable): void => {
    setTable(next);
    setUses(guessed(next.lines[0] ?? [], columns));
    setResult(null);
    setWithout(false);
  };
  const refused = result?.refused ?? [];
  return (
    <Dialog title={`Import ${words.several}`} onClose={onClose} width={760}>
      {result?.done ? (
        <Column gap="$3">
          <Body role="status">
            {sayCount(result.fits, words)} {result.fits === 1 ? 'is' : 'are'} in
            {refused.length > 0 ? `; ${sayLines(refused.length)} left out:` : '.'}
          </Body>
          {refused.length > 0 ? <RefusedLines refused={refused} /> : null}
          {kind === 'people' ? <Body>{words.before}</Body> : null}
          <Button main onPress={onClose}>
            Done
          </Button>
        </Column>
      ) : (
        <Column gap="$4">
          <Column gap="$2">
            <Body small quiet>
              A CSV or XLSX file: titles in its first line, then one line for each {words.one}.{' '}
              {words.before}
            </Body>
            {answer ? (
              <PickTable
                label={table ? 'Choose another file' : 'Choose the file'}
                onPicked={picked}
              />
            ) : null}
          </Column>
          {table ? (
            <ColumnUses
              table={table}
              columns={columns}
              uses={uses}
              onChange={(next) => {
                setUses(next);
                setResult(null);
              }}
            />
          ) : null}
          {(problem ?? none) ? (
            <Body eyes role="alert">
              {problem ?? none}
            </Body>
          ) : null}
          {table && !result ? (
            <Button main onPress={() => send(false)}>
              Look what would come in
            </Button>
          ) : null}
          {result ? (
            <Column gap="$3">
              <Rule />
              <Body role="status">
                <Figure strong>{result.fits.toLocaleString('en')}</Figure>{' '}
                {result.fits === 1 ? words.one : words.several} can be taken in
                {refused.length > 0 ? `, ${sayLines(refused.length)} can’t:` : ', all of them.'}
              </Body>
              {refused.length > 0 ? <RefusedLines refused={refused} /> : null}
              {result.sample.map(({ line, said }) => (
                <Body key={line} small quiet>
                  Line {line} becomes: {said}
                </Body>
              ))}
              {refused.length > 0 ? (
                <Tick
                  label={`Import without ${refused.length === 1 ? 'this line' : 'these lines'}; or mend the file and choose it again`}
                  on={without}
                  onPress={() => setWithout(!without)}
                />
              ) : null}
              <Button
                main
                disabled={result.fits === 0 || (refused.length > 0 && !without)}
                onPress={() => send(true)}
              >
                Import {sayCount(result.fits, words)}
              </Button>
            </Column>
          ) : null}
        </Column>
      )}
    </Dialog>
  );
}

const sayLines = (count: number): string => (count === 1 ? 'one line' : `${count} lines`);
const sayCount = (count: number, { one, several }: { one: string; several: string }): string =>
  `${count.toLocaleString('en')} ${count === 1 ? one : several}`;

interface ColumnUsesProps {
  readonly table: PickedTable;
  readonly columns: readonly ImportColumn[];
  readonly uses: readonly string[];
  readonly onChange: (uses: readonly string[]) => void;
}

/** Says what each column of the file is. */
function ColumnUses({ table, columns, uses, onChange }: ColumnUsesProps) {
  const [titles = [], ...rest] = table.lines;
  const missing = columns.filter(({ key, required }) => required && !uses.includes(key));
  return (
    <Column gap="$1" role="group" aria-label="Columns">
      <Heading>What is in each column</Heading>
      {titles.map((title, at) => {
        const named = title.trim() || `Column ${at + 1}`;
        const help = columns.find(({ key }) => key === uses[at])?.help;
        const sample = rest
          .slice(0, SAMPLES)
          .map((cells) => cells[at] ?? '')
          .filter(Boolean)
          .join(' · ');
        return (
          <Row key={at} gap="$3">
            <Body strong small width={170} numberOfLines={1}>
              {named}
            </Body>
            <Column width={190}>
              <Pick
                label={`${named} is`}
                hideLabel
                value={uses[at] ?? NOTHING}
                options={[
                  { value: NOTHING, label: 'left out' },
                  ...columns.map(({ key, label }) => ({ value: key, label })),
                ]}
                onChange={(use) =>
                  // Each is one column.
                  onChange(
                    uses.map((each, index) => (index === at ? use : each === use ? NOTHING : each)),
                  )
                }
              />
            </Column>
            <Body small quiet numberOfLines={1} flex={1} minWidth={0}>
              {[sample || 'empty', help].filter(Boolean).join(' — ')}
            </Body>
          </Row>
        );
      })}
      {missing.length > 0 ? (
        <Body small eyes>
          Still to be said: which column is {missing.map(({ label }) => `“${label}”`).join(' and ')}
          .
        </Body>
      ) : null}
    </Column>
  );
}
