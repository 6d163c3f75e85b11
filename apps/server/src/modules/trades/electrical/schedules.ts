import { textOf, type RowState } from '@ant-trail/core/sheet';
import { BOARDS, CIRCUITS, shortWay } from '@ant-trail/core/trades/electrical/keys';
import { QUIET, type Paper } from '../../../paper/paper.ts';
import type { ReportPart } from '../report-part.ts';
import { rowsAt, writeTable } from '../rows-table.ts';

/** The schedules of a certificate: each board, and its circuits in a table across the page. */
export const SCHEDULES: ReportPart = {
  kit: 'electrical',
  draws: [BOARDS],
  draw: (paper, state) => {
    const boards = rowsAt(state, BOARDS);
    if (boards.length === 0) return;
    paper.lay('landscape');
    paper.text('Schedule of boards', paper.left, { face: 'bold', size: 15, tag: 'H2' });
    paper.space(6);
    writeTable(paper, boards, { head: 'Board', share: 1.6 });
    for (const board of boards) writeBoard(paper, board);
    paper.lay('portrait');
  },
};

function writeBoard(paper: Paper, board: RowState): void {
  const circuits = board.questions.find(({ question }) => question.key === CIRCUITS)?.rows ?? [];
  if (circuits.length === 0) return;
  const place = board.questions.find(({ question }) => question.key === 'board_place')?.answer;
  paper.need(110);
  paper.space(18);
  paper.text(`Circuits of ${board.name}`, paper.left, { face: 'bold', size: 13, tag: 'H3' });
  if (place) paper.text(textOf(place.value), paper.left, { size: 9, color: QUIET });
  paper.space(4);
  writeTable(
    paper,
    circuits,
    { head: 'Way', share: 0.7 },
    {
      nameOf: ({ name }) => shortWay(name),
    },
  );
}
