import { rowPath } from '@ant-trail/core/log';
import type { QuestionState } from '@ant-trail/core/sheet';
import { wayName } from '@ant-trail/core/trades/electrical/keys';
import { newId } from '@/device/identity.ts';
import { AddByPattern } from '../add-by-pattern.tsx';
import type { KitRowsProps } from '../part.ts';
import { likeIn, type Place } from './places.ts';

interface AddWaysProps {
  readonly circuits: QuestionState;
  readonly ways: readonly Place[];
  readonly write: KitRowsProps['write'];
  readonly onClose: () => void;
}

/** A board that nobody has begun has as many ways as most boards. */
const USUAL_WAYS = 12;

/** Adds ways by a pattern, each like another where that is said. */
export function AddWays({ circuits, ways, write, onClose }: AddWaysProps) {
  const { question, rows } = circuits;
  const most = (question.kind === 'rows' ? question.most : undefined) ?? Infinity;
  const add = async (names: readonly string[], like: string): Promise<string | null> => {
    const last = Math.max(0, ...rows.map(({ order }) => order));
    const model = ways.find(({ path }) => path === like);
    return write(
      names.flatMap((name, index) => {
        const path = rowPath(circuits.path, newId());
        return [
          { path, value: { order: last + index + 1, name: wayName(name) } },
          ...(model ? likeIn(model, path) : []),
        ];
      }),
    );
  };
  return (
    <AddByPattern
      title="Add ways"
      begins={{
        ...{ count: ways.length === 0 ? USUAL_WAYS : 1, from: ways.length + 1 },
        pattern: '#',
      }}
      help="# stands for the number, as in L1-#."
      models={{
        ...{ label: 'Of the same kind as', none: 'None' },
        options: ways.map(({ path, name }) => ({ value: path, label: `Way ${name}` })),
      }}
      room={most - rows.length}
      onAdd={add}
      onClose={onClose}
    />
  );
}
