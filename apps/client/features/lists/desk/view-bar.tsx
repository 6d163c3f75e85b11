import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Lines } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { fetchFile, wordsFor } from '@/device/api.ts';
import { saveFile } from '@/device/save-file.ts';
import { useKeptViews } from './kept-views.ts';
import type { ListQuery } from './use-list.ts';

export interface ViewBarProps {
  readonly list: string;
  readonly path: string;
  readonly query: ListQuery;
  readonly columns: readonly { readonly id: string; readonly label: string }[];
  readonly hidden: readonly string[];
  readonly hiddenAtFirst: readonly string[];
  readonly onColumns: (hidden: readonly string[]) => void;
  readonly onQuery: (query: ListQuery) => void;
}

const same = (a: object, b: object): boolean => {
  const sorted = (value: object): string => JSON.stringify(Object.entries(value).sort());
  return sorted(a) === sorted(b);
};

/** How a list is looked at: kept views, columns, and the same as a file. */
export function ViewBar(props: ViewBarProps) {
  const { list, path, query, columns, hidden, hiddenAtFirst, onColumns, onQuery } = props;
  const { views, keep, forget } = useKeptViews(list);
  const [open, setOpen] = useState<'columns' | 'keep' | null>(null);
  const current = views.find(
    (view) => same(view.query, query) && same([...view.hidden].sort(), [...hidden].sort()),
  );
  const [problem, setProblem] = useState<string | null>(null);
  const takeAlong = async (): Promise<void> => {
    setProblem(null);
    try {
      const asked = new URLSearchParams({
        ...query,
        ...(hidden.length > 0 ? { without: hidden.join(',') } : {}),
      }).toString();
      saveFile(await fetchFile(`${path}.xlsx?${asked}`), `${list}.xlsx`);
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Row gap="$2" flexWrap="wrap" alignItems="flex-end" flexShrink={1}>
      {views.length > 0 ? (
        <Pick
          label="View"
          value={current?.name ?? ''}
          onChange={(name) => {
            const view = views.find((each) => each.name === name);
            onColumns(view?.hidden ?? hiddenAtFirst);
            onQuery(view?.query ?? {});
          }}
          options={[
            { value: '', label: 'all, as it comes' },
            ...views.map(({ name }) => ({ value: name, label: name })),
          ]}
        />
      ) : null}
      <Button dense onPress={() => setOpen('columns')}>
        Columns
      </Button>
      <Button dense onPress={() => setOpen('keep')}>
        {current ? 'Forget this view' : 'Keep this view'}
      </Button>
      <Button dense onPress={() => takeAlong()}>
        Save as a table
      </Button>
      {problem ? (
        <Body small eyes strong role="alert" flexBasis="100%">
          {problem}
        </Body>
      ) : null}
      {open === 'columns' ? (
        <Dialog title="Columns" onClose={() => setOpen(null)} width={380}>
          <Lines
            several
            label="Columns"
            options={columns.map(({ id, label }) => ({ value: id, label }))}
            chosen={columns.map(({ id }) => id).filter((id) => !hidden.includes(id))}
            onPress={(id) =>
              onColumns(
                hidden.includes(id) ? hidden.filter((each) => each !== id) : [...hidden, id],
              )
            }
          />
        </Dialog>
      ) : null}
      {open === 'keep' ? (
        <KeepDialog
          known={current?.name ?? null}
          onKeep={(name) => keep({ list, name, query: { ...query }, hidden: [...hidden] })}
          onForget={forget}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </Row>
  );
}

interface KeepDialogProps {
  readonly known: string | null;
  readonly onKeep: (name: string) => Promise<void>;
  readonly onForget: (name: string) => Promise<void>;
  readonly onClose: () => void;
}

function KeepDialog({ known, onKeep, onForget, onClose }: KeepDialogProps) {
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const written = name.trim();
  const settle = (done: Promise<void>): void =>
    void done.then(onClose, (error: unknown) => setProblem(wordsFor(error)));
  const save = (): void => {
    if (written !== '') settle(onKeep(written));
  };
  const trouble = problem ? (
    <Body small eyes strong role="alert">
      {problem}
    </Body>
  ) : null;
  if (known !== null)
    return (
      <Dialog title={`Forget “${known}”?`} onClose={onClose} width={420}>
        <Column gap="$3">
          <Body>The list stays; only this way of looking at it goes.</Body>
          {trouble}
          <Button main onPress={() => settle(onForget(known))}>
            Forget it
          </Button>
        </Column>
      </Dialog>
    );
  return (
    <Dialog title="Keep this view" onClose={onClose} width={420}>
      <Column gap="$3">
        <Input
          label="Called"
          value={name}
          onChange={setName}
          onEnter={save}
          help="What is chosen, the order and the columns are kept for you, wherever you sign in."
        />
        {trouble}
        <Button main disabled={written === ''} onPress={save}>
          Keep
        </Button>
      </Column>
    </Dialog>
  );
}
