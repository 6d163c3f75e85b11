import { answersOf, type SheetState } from '@ant-trail/core/sheet';
import { promiseLines, promisesOf, sayKept, type Promised } from '@ant-trail/core/trades/energy';
import { CLAY, INK, TRAIL, QUIET, RULE, type Paper } from '../../../paper/paper.ts';

const LINE = 17;
const NAMES = 62;
const FIGURES = 70;

/** What a check visit found, beside what was agreed and how it was before. */
export function drawAgreedAndFound(paper: Paper, state: SheetState): void {
  const promises = promisesOf(answersOf(state));
  if (promises.length === 0) return;
  paper.need(110);
  paper.space(14);
  paper.text('Agreed and found', paper.left, { face: 'bold', size: 15, tag: 'H2' });
  for (const promise of promises) drawPromise(paper, promise);
}

function drawPromise(paper: Paper, promise: Promised): void {
  const { label, unit, isKept } = promise;
  const lines = promiseLines(promise);
  const colors = { Before: RULE, Agreed: TRAIL, Found: isKept ? INK : CLAY };
  paper.need(60 + lines.length * LINE);
  paper.space(8);
  paper.text(`${label}, ${unit}`, paper.left, { face: 'bold', size: 11, tag: 'H3' });
  const top = paper.y + 4;
  const room = paper.width - NAMES - FIGURES;
  const all = lines.map(({ of, said }) => `${of} ${said}`).join(', ');
  paper.figure(`${label}, ${unit}: ${all}.`, () => {
    lines.forEach(({ of, said, share }, at) => {
      const y = top + at * LINE;
      paper.document.rect(paper.left + NAMES, y + 1, share * room, 9).fill(colors[of]);
      paper.put(of, paper.left, y, { size: 10, color: QUIET });
      paper.put(said, paper.left + NAMES + room + 8, y, { face: 'bold', size: 10 });
    });
  });
  paper.y = top + lines.length * LINE + 2;
  paper.text(sayKept(promise), paper.left, { size: 10, color: isKept ? QUIET : CLAY });
}
