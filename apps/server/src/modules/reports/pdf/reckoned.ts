import type { SheetState } from '@ant-trail/core/sheet';
import { sayReckoned } from '@ant-trail/core/trades';
import { QUIET, type Paper } from '../../../paper/paper.ts';
import type { Pictures } from '../../../paper/sketch.ts';
import { REPORT_PARTS } from '../../trades/report-parts.ts';

/** What the sheet's kit reckoned, and the kit's own part of the report. */
export function writeReckoned(
  paper: Paper,
  state: SheetState,
  kit: string | undefined,
  pictures: Pictures,
): void {
  const results = state.reckoned.filter(({ aside }) => !aside);
  if (results.length > 0) {
    paper.need(60 + 20 * results.length);
    paper.space(14);
    paper.text('Reckoned', paper.left, { face: 'bold', size: 15, tag: 'H2' });
    paper.space(4);
    for (const result of results) {
      const y = paper.y;
      paper.beside(result.label, paper.left, y, { width: 200, color: QUIET });
      const words = sayReckoned(result, result.value);
      const height = paper.beside(words, paper.left + 210, y, { width: paper.width - 210 });
      paper.y = y + height + 4;
    }
  }
  REPORT_PARTS.find((part) => part.kit === kit)?.draw(paper, state, pictures);
}
