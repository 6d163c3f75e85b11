import { rowPath } from '@ant-trail/core/log';
import { answersForNewRow, type RowState } from '@ant-trail/core/sheet';
import { newId } from '@/device/identity.ts';
import { AddByPattern } from '@/features/trades/add-by-pattern.tsx';
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

/** Adds rows to a group, each filled in as another where that is said. */
export function AddRows({ each, group, rows, room, onClose }: AddRowsProps) {
  const session = useSheetSession();
  const add = async (names: readonly string[], like: string): Promise<string | null> => {
    const last = rows.reduce((most, row) => Math.max(most, row.order), 0);
    const model = rows.find((row) => row.id === like);
    return session.writeAll(
      names.flatMap((name, index) => {
        const path = rowPath(group, newId());
        return [
          { path, value: { order: last + index + 1, name } },
          ...(model ? answersForNewRow(model, path) : []),
        ].map((said) => ({ ...said, kind: 'answer' as const }));
      }),
    );
  };
  return (
    <AddByPattern
      title={`Add ${each}`}
      begins={{
        ...{ count: 1, from: rows.length + 1 },
        pattern: `${each.charAt(0).toUpperCase()}${each.slice(1)} #`,
      }}
      help="# stands for the number."
      models={{
        ...{ label: 'Filled in as', none: 'Nothing yet' },
        options: rows.slice(-MODELS).map((row) => ({ value: row.id, label: row.name })),
      }}
      room={room}
      onAdd={add}
      onClose={onClose}
    />
  );
}
