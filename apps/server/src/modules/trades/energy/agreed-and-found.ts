import { answersOf, type SheetState } from '@ant-trail/core/sheet';
import { promisesOf, type Promised } from '@ant-trail/core/trades/energy';
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
  const { label, unit, decimals, before, agreed, found, isKept } = promise;
  const lines = [
    ...(before === null ? [] : [['Before', before, RULE] as const]),
    ['Agreed', agreed, TRAIL] as const,
    ['Found', found, isKept ? INK : CLAY] as const,
  ];
  const say = (value: number): string =>
    value.toLocaleString('en', {
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
    });
  paper.need(60 + lines.length * LINE);
  paper.space(8);
  paper.text(`${label}, ${unit}`, paper.left, { face: 'bold', size: 11, tag: 'H3' });
  const top = paper.y + 4;
  const most = Math.max(before ?? 0, agreed, found);
  const room = paper.width - NAMES - FIGURES;
  const said = lines.map(([name, value]) => `${name} ${say(value)}`).join(', ');
  paper.figure(`${label}, ${unit}: ${said}.`, () => {
    lines.forEach(([name, value, color], at) => {
      const y = top + at * LINE;
      paper.document
        .rect(paper.left + NAMES, y + 1, most > 0 ? (value / most) * room : 0, 9)
        .fill(color);
      paper.put(name, paper.left, y, { size: 10, color: QUIET });
      paper.put(say(value), paper.left + NAMES + room + 8, y, { face: 'bold', size: 10 });
    });
  });
  paper.y = top + lines.length * LINE + 2;
  paper.text(
    isKept ? 'As agreed, within a tenth.' : 'More than a tenth above what was agreed.',
    paper.left,
    { size: 10, color: isKept ? QUIET : CLAY },
  );
}
