import { nameRows } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';

interface AddByPatternProps {
  readonly title: string;
  /** What stands there to begin with. */
  readonly begins: { readonly count: number; readonly from: number; readonly pattern: string };
  readonly help: string;
  /** How many more there may be. */
  readonly room: number;
  /** What those that are added may be like. */
  readonly models: {
    readonly label: string;
    readonly none: string;
    readonly options: readonly { readonly value: string; readonly label: string }[];
  };
  /** Adds them, like one of the models where one is chosen. Gives the words for the person when it can't be done. */
  readonly onAdd: (names: readonly string[], like: string) => Promise<string | null>;
  readonly onClose: () => void;
}

/** Adds one row or many by a pattern: how many, numbered from where, called what. */
export function AddByPattern(props: AddByPatternProps) {
  const { title, begins, help, room, models, onAdd, onClose } = props;
  const [count, setCount] = useState(String(begins.count));
  const [from, setFrom] = useState(String(begins.from));
  const [pattern, setPattern] = useState(begins.pattern);
  const [like, setLike] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = async (): Promise<void> => {
    const named = nameRows(Number(count), Number(from), pattern);
    if ('problem' in named) return setProblem(named.problem);
    if (named.names.length > room) return setProblem(`There is room for ${room} more.`);
    const refused = await onAdd(named.names, like);
    if (refused !== null) return setProblem(refused);
    onClose();
    return undefined;
  };
  return (
    <Dialog title={title} onClose={onClose}>
      <Column gap="$3">
        <Input label="How many" kind="decimal" value={count} onChange={setCount} />
        <Input label="Numbered from" kind="decimal" value={from} onChange={setFrom} />
        <Input
          label="Called"
          value={pattern}
          onChange={setPattern}
          help={help}
          problem={problem ?? undefined}
        />
        {models.options.length > 0 ? (
          <Pick
            label={models.label}
            value={like}
            onChange={setLike}
            options={[{ value: '', label: models.none }, ...models.options]}
          />
        ) : null}
        <Button main onPress={add}>
          Add
        </Button>
      </Column>
    </Dialog>
  );
}
