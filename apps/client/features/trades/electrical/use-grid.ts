import type { Catalogue } from '@ant-trail/core/catalogues';
import type { QuestionState } from '@ant-trail/core/sheet';
import { useEffect, useMemo, useState } from 'react';
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
  const lists = useLists(columns, listOf);
  const [spot, setSpot] = useState<Spot>({ row: 0, column: 0 });
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<Refused>(new Map());
  const [before, setBefore] = useState<readonly Said[] | null>(null);
  const [words, setWords] = useState<string | null>(null);
  // One line below the last: what is written there begins a new way.
  const deepest = group.rows.length;
  const clamp = (value: number, most: number): number => Math.max(0, Math.min(most, value));
  const put = async (cells: readonly (readonly string[])[], at: Spot): Promise<void> => {
    const taken = takeIn(cells, at, { group, columns, lists, newId });
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
      void put(cells, spot);
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

/** The catalogues the columns look in, as soon as they are there. */
function useLists(
  columns: readonly GridColumn[],
  listOf: KitRowsProps['listOf'],
): ReadonlyMap<string, Catalogue | null> {
  const [lists, setLists] = useState<ReadonlyMap<string, Catalogue | null>>(new Map());
  const keys = columns
    .flatMap(({ question }) => (question?.kind === 'lookup' ? [question.catalogue] : []))
    .join(' ');
  useEffect(() => {
    let left = false;
    const wanted = keys.split(' ').filter(Boolean);
    void Promise.all(wanted.map(async (key) => [key, await listOf(key)] as const)).then((found) => {
      if (!left) setLists(new Map(found));
    });
    return () => {
      left = true;
    };
  }, [keys, listOf]);
  return lists;
}
