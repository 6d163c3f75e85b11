import { rowPath } from '@ant-trail/core/log';
import { nameRows, type QuestionState } from '@ant-trail/core/sheet';
import { wayName } from '@ant-trail/core/trades/electrical/keys';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { newId } from '@/device/identity.ts';
import type { KitRowsProps } from '../part.ts';
import { likeIn, type Place } from './places.ts';

interface AddWaysProps {
  readonly circuits: QuestionState;
  readonly ways: readonly Place[];
  readonly write: KitRowsProps['write'];
  readonly onClose: () => void;
}

/** Adds ways by a pattern, each like another where that is said. */
export function AddWays({ circuits, ways, write, onClose }: AddWaysProps) {
  const [count, setCount] = useState(ways.length === 0 ? '12' : '1');
  const [from, setFrom] = useState(String(ways.length + 1));
  const [pattern, setPattern] = useState('#');
  const [like, setLike] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = async (): Promise<void> => {
    const named = nameRows(Number(count), Number(from), pattern);
    if ('problem' in named) return setProblem(named.problem);
    const last = Math.max(0, ...circuits.rows.map(({ order }) => order));
    const model = ways.find(({ path }) => path === like);
    const refused = await write(
      named.names.flatMap((name, index) => {
        const path = rowPath(circuits.path, newId());
        return [
          { path, value: { order: last + index + 1, name: wayName(name) } },
          ...(model ? likeIn(model, path) : []),
        ];
      }),
    );
    if (refused !== null) return setProblem(refused);
    onClose();
    return undefined;
  };
  return (
    <Dialog title="Add ways" onClose={onClose}>
      <Column gap="$3">
        <Input label="How many" kind="decimal" value={count} onChange={setCount} />
        <Input label="Numbered from" kind="decimal" value={from} onChange={setFrom} />
        <Input
          label="Called"
          value={pattern}
          onChange={setPattern}
          help="# stands for the number, as in L1-#."
          problem={problem ?? undefined}
        />
        {ways.length > 0 ? (
          <Pick
            label="Of the same kind as"
            value={like}
            onChange={setLike}
            options={[
              { value: '', label: 'None' },
              ...ways.map(({ path, name }) => ({ value: path, label: `Way ${name}` })),
            ]}
          />
        ) : null}
        <Button main onPress={add}>
          Add
        </Button>
      </Column>
    </Dialog>
  );
}
