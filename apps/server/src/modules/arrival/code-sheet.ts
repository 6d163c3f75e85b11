import { Paper } from '../../paper/paper.ts';
import { drawQrCode } from '../../paper/qr-code.ts';

const SIDE = 260;

/** The code of a place on a sheet of its own, with what it is for. */
export function drawPlaceCode(code: string, place: string, organisation: string): Promise<Buffer> {
  const paper = new Paper(`Code of ${place}`, organisation);
  paper.text(place, paper.left, { face: 'bold', size: 26, tag: 'H1' });
  paper.space(6);
  paper.text(organisation, paper.left, { size: 12 });
  paper.space(20);
  const top = paper.y;
  paper.figure(`Code of ${place}`, () =>
    drawQrCode(paper.document, code, { x: paper.left, y: top, side: SIDE, level: 'Q' }),
  );
  paper.y = top + SIDE + 16;
  for (const words of [
    'Hang it inside, where only somebody who may be there comes to.',
    'Whoever arrives scans it with Ant Trail, and reads what is only for them: it opens with no network.',
    'A photograph of this sheet opens it as well. Where one got about, write the details again and ask for a new code.',
  ]) {
    paper.text(words, paper.left, { size: 12 });
    paper.space(6);
  }
  return paper.end();
}
