import type { Catalogue } from '@ant-trail/core/catalogues';
import type { QuestionState } from '@ant-trail/core/sheet';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { newId } from '@/device/identity.ts';
import type { KitRowsProps, Said } from '../part.ts';
import { columnsOf, takeIn, type GridColumn, type Refused } from './pasted.ts';

export interface Spot {
  readonly row: number;
  readonly column: number;
}

export interface Grid {
  readonly columns: readonly GridColumn[];
  readonly spot: Spot;
  readonly refused: Refused;
  /** What is being typed at the spot; null where nothing is. */
  readonly typed: string | null;
  readonly said: string | null;
  readonly move: (down: number, across: number) => void;
  readonly goTo: (spot: Spot) => void;
  readonly type: (text: string | null) => void;
  /** Puts a block of cells in from the spot on. */
  readonly put: (cells: readonly (readonly string[])[]) => void;
  /** Takes back what was put in last; null where nothing was. */
  readonly undo: (() => void) | null;
}

type Props = Pick<KitRowsProps, 'write' | 'listOf' | 'locked'> & { readonly group: QuestionState };

/** The table of a board’s circuits: where one is in it, and what is put into it. */
export function useGrid({ group, write, listOf, locked }: Props): Grid {
  const columns = useMemo(() => columnsOf(group), [group]);
  const listsOf = useLists(columns, listOf);
  const [spot, setSpot] = useState<Spot>({ row: 0, column: 0 });
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<Refused>(new Map());
  const [before, setBefore] = useState<readonly Said[] | null>(null);
  const [words, setWords] = useState<string | null>(null);
  // One line below the last: what is written there begins a new way.
  const deepest = group.rows.length;
  const clamp = (value: number, most: number): number => Math.max(0, Math.min(most, value));
  const shown = useRef(group);
  useEffect(() => {
    shown.current = group;
  }, [group]);
  const turn = useRef<Promise<unknown>>(Promise.resolve());
  const put = async (cells: readonly (readonly string[])[], at: Spot): Promise<void> => {
    // What is put in before the catalogues are read waits for them; it finds the table as it is then.
    const lists = await listsOf();
    const taken = takeIn(cells, at, { group: shown.current, columns, lists, newId });
    const problem = taken.said.length > 0 ? await write(taken.said) : null;
    // One that the sheet does not take holds up none of the others.
    const late = problem === null ? new Map<string, string>() : await oneByOne(taken.said, write);
    setRefused((known) => {
      const said = new Set(taken.said.map(({ path }) => path));
      const still = new Map([...known].filter(([path]) => !said.has(path)));
      for (const [path, each] of taken.refused) still.set(path, each);
      for (const [path, why] of late)
        still.set(path, { words: taken.written.get(path) ?? '', why });
      return still;
    });
    if (taken.said.length > 0) setBefore(taken.before);
    const count = taken.said.length - late.size;
    if (cells.length > 1 || (cells[0]?.length ?? 0) > 1)
      setWords(`${count} ${count === 1 ? 'value' : 'values'} taken in.`);
  };
  return {
    ...{ columns, spot, refused, typed, said: words },
    move: (down, across) =>
      setSpot({
        row: clamp(spot.row + down, deepest),
        column: clamp(spot.column + across, columns.length - 1),
      }),
    goTo: (to) => {
      setSpot(to);
      setTyped(null);
    },
    type: (text) => !locked && setTyped(text),
    put: (cells) => {
      if (locked) return;
      setTyped(null);
      setWords(null);
      // One after the other, so that each finds what the one before it wrote.
      const next = (): Promise<void> => put(cells, spot);
      turn.current = turn.current.then(next, next);
    },
    undo:
      before && !locked
        ? () => {
            setBefore(null);
            setRefused(new Map());
            void write(before).then((problem) => setWords(problem ?? 'Taken back.'));
          }
        : null,
  };
}

async function oneByOne(
  said: readonly Said[],
  write: KitRowsProps['write'],
): Promise<Map<string, string>> {
  const refused = new Map<string, string>();
  for (const each of said) {
    const why = await write([each]);
    if (why !== null) refused.set(each.path, why);
  }
  return refused;
}

type Lists = ReadonlyMap<string, Catalogue | null>;

/** The catalogues the columns look in: read at once, so that they are there when something is put in. */
function useLists(
  columns: readonly GridColumn[],
  listOf: KitRowsProps['listOf'],
): () => Promise<Lists> {
  const keys = columns
    .flatMap(({ question }) => (question?.kind === 'lookup' ? [question.catalogue] : []))
    .join(' ');
  const reading = useRef<Promise<Lists> | null>(null);
  const read = useCallback(
    async (): Promise<Lists> =>
      new Map(
        await Promise.all(
          keys
            .split(' ')
            .filter(Boolean)
            // One that can’t be read is said by the cells that needed it.
            .map(async (key) => [key, await listOf(key).catch(() => null)] as const),
        ),
      ),
    [keys, listOf],
  );
  useEffect(() => {
    reading.current = read();
  }, [read]);
  return useCallback(() => reading.current ?? read(), [read]);
}
