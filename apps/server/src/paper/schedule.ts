import { CLAY, CLAY_GROUND, INK, QUIET, type Paper } from './paper.ts';

export interface Column {
  readonly head: string;
  /** How much of the width it takes, among the others. */
  readonly share: number;
}

export interface Cell {
  readonly words: string;
  /** What is not as it should be stands out. */
  readonly amiss?: boolean;
}

const SIZE = 7.5;
const PAD = 3;

/**
 * A table with a line for each thing, over as many pages as it takes: its heads stand on each of them,
 * and no line is torn apart.
 */
export function drawSchedule(
  paper: Paper,
  columns: readonly Column[],
  rows: readonly (readonly Cell[])[],
): void {
  const shares = columns.reduce((sum, { share }) => sum + share, 0);
  const widths = columns.map(({ share }) => (share / shares) * paper.width);
  const lefts = widths.map((_, at) =>
    widths.slice(0, at).reduce((sum, width) => sum + width, paper.left),
  );
  const cellsOf = (cells: readonly Cell[], top: number, face: 'bold' | 'text', color: string) =>
    cells.map(({ words, amiss }, at) => () => {
      paper.box(words, (lefts[at] ?? 0) + PAD, top + PAD, {
        width: (widths[at] ?? 0) - 2 * PAD,
        ...{ size: SIZE, face: amiss ? ('bold' as const) : face, color: amiss ? CLAY : color },
      });
    });
  const heightOf = (cells: readonly Cell[], face: 'bold' | 'text'): number =>
    2 * PAD +
    Math.max(
      ...cells.map(({ words, amiss }, at) =>
        paper.heightOf(words, (widths[at] ?? 0) - 2 * PAD, SIZE, amiss ? 'bold' : face),
      ),
    );
  const heads = columns.map(({ head }) => ({ words: head }));
  const headHeight = heightOf(heads, 'bold');
  const table = paper.table();
  const drawHeads = (first: boolean): void => {
    const cells = cellsOf(heads, paper.y, 'bold', QUIET);
    if (first) table.row('TH', cells);
    else paper.ornament(() => cells.forEach((draw) => draw()));
    paper.space(headHeight);
    paper.rule();
  };
  paper.need(headHeight * 2);
  drawHeads(true);
  for (const cells of rows) {
    const height = heightOf(cells, 'text');
    if (paper.room < height) {
      paper.need(paper.pageHeight);
      drawHeads(false);
    }
    const top = paper.y;
    cells.forEach(({ amiss }, at) => {
      if (amiss)
        paper.ornament(() => {
          paper.document.rect(lefts[at] ?? 0, top, widths[at] ?? 0, height).fill(CLAY_GROUND);
        });
    });
    table.row('TD', cellsOf(cells, top, 'text', INK));
    paper.y = top + height;
    paper.rule();
  }
  table.end();
}
