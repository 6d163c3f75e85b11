import type { AnswerValue, Entry } from '@ant-trail/core/log';
import {
  fold,
  planSheet,
  prepareFor,
  type SheetState,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { Paper } from '../../src/paper/paper.ts';
import { textOf } from './pdf.ts';

/** One answer at a path, with its unit. */
export type SaidAt = [string, AnswerValue, string?];

/** A sheet in which somebody said all that, in that order. */
export async function sheetWith(body: TemplateBody, said: readonly SaidAt[]): Promise<SheetState> {
  await prepareFor(body);
  return fold(
    planSheet(body),
    said.map(([path, value, unit], index): Entry => ({
      id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
      ...{ sheet: 's', path, kind: 'answer', value, seen: [], by: 'b', device: 'd', prev: null },
      ...(unit === undefined ? {} : { unit }),
      at: '2031-04-05T08:00:00.000Z',
    })),
  );
}

interface Drawn {
  /** The words of each page. */
  readonly pages: string[];
  /** Which pages lie across. */
  readonly wide: boolean[];
  /** How many pictures are painted. */
  readonly pictures: number;
}

/** What a part of a report draws, between a word before it and one after. */
export async function drawn(draw: (paper: Paper) => void): Promise<Drawn> {
  const paper = new Paper('Certificate', 'Tarnhollow');
  paper.text('Before');
  draw(paper);
  paper.text('After');
  paper.number('Foot');
  const bytes = Uint8Array.from(await paper.end());
  const document = await getDocument({ data: bytes.slice(), useSystemFonts: false }).promise;
  const wide: boolean[] = [];
  let pictures = 0;
  for (let n = 1; n <= document.numPages; n++) {
    const page = await document.getPage(n);
    const [, , width = 0, height = 0] = page.view;
    wide.push(width > height);
    const { fnArray } = await page.getOperatorList();
    pictures += fnArray.filter((done) => done === OPS.paintImageXObject).length;
  }
  return { pages: await textOf(bytes.buffer), wide, pictures };
}
