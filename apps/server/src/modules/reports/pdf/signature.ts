import { INK, type Paper } from '../../../paper/paper.ts';

/** What was signed by hand. */
export interface Drawn {
  readonly name: string;
  readonly strokes: readonly (readonly (readonly [number, number])[])[];
}

const SIGNATURE_WIDTH = 165;

export function signatureHeight({ strokes }: Drawn): number {
  const deepest = Math.max(...strokes.flat().map(([, y]) => y), 0.2);
  return Math.min(80, deepest * SIGNATURE_WIDTH + 10) + 6;
}

export function drawSignature(paper: Paper, signature: Drawn, left: number, top: number): void {
  paper.figure(`Signature of ${signature.name}`, () => {
    paper.document.lineWidth(1.4).strokeColor(INK).lineCap('round').lineJoin('round');
    for (const stroke of signature.strokes) {
      stroke.forEach(([x, y], index) => {
        const [px, py] = [left + x * SIGNATURE_WIDTH, top + 4 + y * SIGNATURE_WIDTH];
        if (index === 0) paper.document.moveTo(px, py);
        else paper.document.lineTo(px, py);
      });
      paper.document.stroke();
    }
  });
}
