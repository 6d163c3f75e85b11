import { useTheme } from '@tamagui/core';
import type { QuestionState, RowState } from '@ant-trail/core/sheet';
import Papa from 'papaparse';
import { useEffect, useRef, type ClipboardEvent, type KeyboardEvent } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import type { KitRowsProps } from '../part.ts';
import { GridCell } from './grid-cell.tsx';
import { cellText } from './pasted.ts';
import { doubtIn } from './places.ts';
import { useGrid, type Grid } from './use-grid.ts';

type Props = Pick<KitRowsProps, 'write' | 'listOf' | 'locked'> & {
  readonly group: QuestionState;
  readonly name: string;
};

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
};

/** All circuits of a board as one table, by the keys of a spreadsheet, and pasted from one. */
export function CircuitGrid({ group, name, ...props }: Props) {
  const grid = useGrid({ group, ...props });
  const theme = useTheme();
  const table = useRef<HTMLTableElement>(null);
  const { spot, columns, typed } = grid;
  const wasTyping = useRef(false);
  useEffect(() => {
    // It takes the focus from nothing else: only while one is in the table, or has just typed in it.
    const isInside = table.current?.contains(document.activeElement) || wasTyping.current;
    wasTyping.current = typed !== null;
    if (!isInside || typed !== null) return;
    table.current
      ?.querySelector<HTMLElement>(`[data-spot="${spot.row} ${spot.column}"]`)
      ?.focus({ preventScroll: false });
  }, [spot, typed]);
  const rows: readonly (RowState | null)[] = props.locked ? group.rows : [...group.rows, null];
  const here = rows[spot.row] ?? null;
  const column = columns[spot.column];
  const wrong = here && column ? wrongAt(here, column.key, grid) : null;
  return (
    <Column gap="$2" flex={1} minHeight={0}>
      <div
        style={{
          overflow: 'auto',
          flex: 1,
          minHeight: 0,
          borderBottom: `1px solid ${theme.rule.get()}`,
        }}
      >
        <table
          ref={table}
          role="grid"
          aria-label={`Circuits of ${name}`}
          className="circuit-grid"
          onKeyDown={(event) => pressed(event, grid, rows)}
          onPaste={(event) => pasted(event, grid)}
          onCopy={(event) => copied(event, grid, rows)}
        >
          <thead>
            <tr>
              {columns.map(({ key, label }) => (
                <th key={key} scope="col">
                  <Body tiny strong>
                    {label}
                  </Body>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, down) => (
              <tr key={row?.id ?? 'next'}>
                {columns.map((each, across) => (
                  <GridCell
                    key={each.key}
                    row={row}
                    column={each}
                    spot={{ row: down, column: across }}
                    grid={grid}
                  />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Row padding="$3" gap="$3" minHeight={64} flexWrap="wrap">
        <Body small flex={1} minWidth={260} eyes={Boolean(wrong)} role={wrong ? 'alert' : 'status'}>
          {wrong ??
            ([grid.said, countRefused(grid)].filter(Boolean).join(' ') ||
              'Type, or paste cells from a spreadsheet. Below the last way new ones begin.')}
        </Body>
        {grid.undo ? (
          <Button dense onPress={grid.undo}>
            Take the last change back
          </Button>
        ) : null}
      </Row>
    </Column>
  );
}

/** What is wrong with a cell, or may be: why it could not be taken in, what limit it passes, what is odd about it. */
function wrongAt(row: RowState, key: string, { refused }: Grid): string | null {
  const late = refused.get(`${row.path}/${key}`);
  if (late) return late.why.includes(late.words) ? late.why : `“${late.words}”: ${late.why}`;
  const state = row.questions.find(({ question }) => question.key === key);
  return state ? (state.alert?.words ?? doubtIn(state) ?? null) : null;
}

const countRefused = ({ refused }: Grid): string =>
  refused.size === 0
    ? ''
    : `${refused.size} ${refused.size === 1 ? 'cell needs' : 'cells need'} a look: go there, and it says why.`;

function pressed(event: KeyboardEvent, grid: Grid, rows: readonly (RowState | null)[]): void {
  const { typed, spot, columns } = grid;
  const column = columns[spot.column];
  const row = rows[spot.row] ?? null;
  const step = STEPS[event.key];
  const done = (): void => event.preventDefault();
  if (typed !== null) return;
  if (event.ctrlKey || event.metaKey) {
    const above = rows[spot.row - 1];
    if (event.key.toLowerCase() !== 'd' || !above || !column) return;
    grid.put([[cellText(above, column)]]);
    return done();
  }
  if (step) grid.move(...step);
  else if (event.key === 'Tab' && spot.column + (event.shiftKey ? -1 : 1) in columns)
    grid.move(0, event.shiftKey ? -1 : 1);
  else if (event.key === 'Enter' || event.key === 'F2')
    grid.type(row && column ? cellText(row, column) : '');
  else if ((event.key === 'Delete' || event.key === 'Backspace') && column?.question)
    grid.put([['']]);
  else if (event.key.length === 1 && !event.altKey && column?.isOpen) grid.type(event.key);
  else return;
  done();
}

function pasted(event: ClipboardEvent, grid: Grid): void {
  if (grid.typed !== null) return;
  const text = event.clipboardData.getData('text/plain').replace(/\r?\n$/, '');
  const { data } = Papa.parse<string[]>(text, { delimiter: '\t' });
  grid.put(data);
  event.preventDefault();
}

/** The cell one is at goes along; a table program takes the row from where it is pasted. */
function copied(event: ClipboardEvent, grid: Grid, rows: readonly (RowState | null)[]): void {
  const row = rows[grid.spot.row];
  const column = grid.columns[grid.spot.column];
  if (grid.typed !== null || !row || !column) return;
  event.clipboardData.setData('text/plain', cellText(row, column));
  event.preventDefault();
}
