import { sayTagNumber } from '@ant-trail/core/tags';
import { Paper } from '../../paper/paper.ts';
import { drawQrCode } from '../../paper/qr-code.ts';

const SIDE = 260;

export interface PlaceSheet {
  readonly code: string;
  /** For whoever can't scan it. */
  readonly number: string;
  readonly place: string;
  readonly organisation: string;
}

/** The code of a place on a sheet of its own, with what it is for. */
export function drawPlaceCode({ code, number, place, organisation }: PlaceSheet): Promise<Buffer> {
  const paper = new Paper(`Code of ${place}`, organisation);
  paper.text(place, paper.left, { face: 'bold', size: 26, tag: 'H1' });
  paper.space(6);
  paper.text(organisation, paper.left, { size: 12 });
  paper.space(20);
  const top = paper.y;
  paper.figure(`Code of ${place}`, () =>
    drawQrCode(paper.document, code, { x: paper.left, y: top, side: SIDE, level: 'Q' }),
  );
  paper.y = top + SIDE + 8;
  paper.text(sayTagNumber(number), paper.left, { face: 'bold', size: 18 });
  paper.space(12);
  for (const words of [
    'Hang it inside, where only somebody who may be there comes to.',
    'Whoever arrives scans it with Ant Trail, and reads what is only for them: it opens with no network.',
    'Where no camera works, the number above is typed in its place, over the network: the office sees that at once.',
    'A photograph of this sheet opens it as well. Where one got about, write the details again and ask for a new code.',
  ]) {
    paper.text(words, paper.left, { size: 12 });
    paper.space(6);
  }
  return paper.end();
}
