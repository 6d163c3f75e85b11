import { rowPath } from '@ant-trail/core/log';
import { answersForNewRow, nameRows, type RowState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { newId } from '@/device/identity.ts';
import { useSheetSession } from '../session/sheet-context.tsx';

/** Of many rows, the last ones are offered to be repeated. */
const MODELS = 50;

interface AddRowsProps {
  readonly each: string;
  readonly group: string;
  readonly rows: readonly RowState[];
  readonly room: number;
  readonly onClose: () => void;
}

/** Adds one row or many by a pattern: how many, numbered from where, called what. */
export function AddRows({ each, group, rows, room, onClose }: AddRowsProps) {
  const session = useSheetSession();
  const [count, setCount] = useState('1');
  const [from, setFrom] = useState(String(rows.length + 1));
  const [pattern, setPattern] = useState(`${each.charAt(0).toUpperCase()}${each.slice(1)} #`);
  const [like, setLike] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = async () => {
    const named = nameRows(Number(count), Number(from), pattern);
    if ('problem' in named) return setProblem(named.problem);
    if (named.names.length > room) return setProblem(`There is room for ${room} more.`);
    const last = rows.reduce((most, row) => Math.max(most, row.order), 0);
    const model = rows.find((row) => row.id === like);
    const refused = await session.writeAll(
      named.names.flatMap((name, index) => {
        const path = rowPath(group, newId());
        return [
          { path, value: { order: last + index + 1, name } },
          ...(model ? answersForNewRow(model, path) : []),
        ].map((said) => ({ ...said, kind: 'answer' as const }));
      }),
    );
    if (refused) return setProblem(refused);
    onClose();
  };
  return (
    <Dialog title={`Add ${each}`} onClose={onClose}>
      <Column gap="$3">
        <Input label="How many" kind="decimal" value={count} onChange={setCount} />
        <Input label="Numbered from" kind="decimal" value={from} onChange={setFrom} />
        <Input
          label="Called"
          value={pattern}
          onChange={setPattern}
          help="# stands for the number."
          problem={problem ?? undefined}
        />
        {rows.length > 0 ? (
          <Pick
            label="Filled in as"
            value={like}
            onChange={setLike}
            options={[
              { value: '', label: 'Nothing yet' },
              ...rows.slice(-MODELS).map((row) => ({ value: row.id, label: row.name })),
            ]}
          />
        ) : null}
        <Button main onPress={() => add()}>
          Add
        </Button>
      </Column>
    </Dialog>
  );
}
