import { rulesOf, type RowState } from '@ant-trail/core/sheet';
import { useTheme } from '@tamagui/core';
import { useEffect, useRef } from 'react';
import { Body, Figure } from '@/design/text.tsx';
import { cellText, type GridColumn } from './pasted.ts';
import { doubtIn, isBeyond } from './places.ts';
import type { Grid, Spot } from './use-grid.ts';

interface GridCellProps {
  /** Null for the line below the last, where a new way begins. */
  readonly row: RowState | null;
  readonly column: GridColumn;
  readonly spot: Spot;
  readonly grid: Grid;
}

/** One cell: what stands there, whether it is as it should be, and what is being typed. */
export function GridCell({ row, column, spot, grid }: GridCellProps) {
  const theme = useTheme();
  const isHere = grid.spot.row === spot.row && grid.spot.column === spot.column;
  const state = row?.questions.find(({ question }) => question.key === column.key);
  const isAsked = row === null || column.question === null || state !== undefined;
  const refused = row && grid.refused.get(`${row.path}/${column.key}`);
  const beyond = state && isBeyond(state);
  const doubtful = state ? doubtIn(state) : undefined;
  const text = refused ? refused.words : row ? cellText(row, column) : column.question ? '' : '+';
  const numeric = column.question?.kind === 'number' || column.question?.kind === 'calculated';
  const Words = numeric ? Figure : Body;
  return (
    <td
      role="gridcell"
      data-spot={`${spot.row} ${spot.column}`}
      tabIndex={isHere ? 0 : -1}
      aria-readonly={!column.isOpen}
      aria-invalid={Boolean(refused ?? beyond)}
      title={refused?.why ?? state?.alert?.words ?? doubtful}
      onClick={() => grid.goTo(spot)}
      onDoubleClick={() => column.isOpen && grid.type(text)}
      style={{
        background:
          refused || beyond ? theme.clayGround.get() : isAsked ? undefined : theme.touch.get(),
        textAlign: numeric ? 'right' : 'left',
      }}
    >
      {isHere && grid.typed !== null ? (
        <Typing grid={grid} column={column} />
      ) : (
        <Words
          small
          eyes={Boolean(refused ?? beyond)}
          quiet={!column.isOpen}
          numberOfLines={1}
          {...(doubtful ? DOUBTED : {})}
        >
          {text}
        </Words>
      )}
    </td>
  );
}

/** What may be wrong is no alarm: a line under it, and the words below the table. */
const DOUBTED = {
  style: { textDecorationLine: 'underline', textDecorationStyle: 'dashed' },
} as const;

function Typing({ grid, column }: { readonly grid: Grid; readonly column: GridColumn }) {
  const field = useRef<HTMLInputElement>(null);
  /** Once ended it is not ended again by the focus that leaves with it. */
  const ended = useRef(false);
  useEffect(() => field.current?.focus(), []);
  const end = (then: () => void): void => {
    if (ended.current) return;
    ended.current = true;
    then();
  };
  const keep = (): void => grid.put([[grid.typed ?? '']]);
  const { question, label } = column;
  const offered = (question && rulesOf(question).offers?.(question)) ?? [];
  return (
    <>
      <input
        ref={field}
        aria-label={label}
        value={grid.typed ?? ''}
        list={offered.length > 0 ? 'circuit-answers' : undefined}
        autoComplete="off"
        onChange={(event) => grid.type(event.target.value)}
        onBlur={() => end(keep)}
        onKeyDown={(event) => {
          event.stopPropagation();
          const { key, shiftKey } = event;
          if (key === 'Escape') end(() => grid.type(null));
          else if (key === 'Enter' || key === 'Tab')
            end(() => {
              keep();
              grid.move(key === 'Enter' ? 1 : 0, key === 'Enter' ? 0 : shiftKey ? -1 : 1);
            });
          else return;
          event.preventDefault();
        }}
      />
      {offered.length > 0 ? (
        <datalist id="circuit-answers">
          {offered.map(({ value, label: words }) => (
            <option key={value} value={words.split(',')[0]}>
              {words}
            </option>
          ))}
        </datalist>
      ) : null}
    </>
  );
}
