import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { createCanvas } from '@napi-rs/canvas';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';

export interface CodeOnPaper {
  readonly page: number;
  readonly code: string;
  /** Where its middle is, in millimetres from the upper left corner of the paper. */
  readonly x: number;
  readonly y: number;
}

const MM_PER_INCH = 25.4;
const POINTS_PER_INCH = 72;

/** The QR codes on the pages of a PDF as a printer of this resolution puts them on paper, line by line. */
export async function codesOn(pdf: Uint8Array, dpi: number): Promise<CodeOnPaper[]> {
  const wasm = createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm');
  prepareZXingModule({ overrides: { wasmBinary: (await readFile(wasm)).buffer } });
  const document = await getDocument({ data: pdf.slice(), useSystemFonts: false }).promise;
  const found: CodeOnPaper[] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const viewport = page.getViewport({ scale: dpi / POINTS_PER_INCH });
    const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
    const context = canvas.getContext('2d');
    await page.render({ canvasContext: context as never, canvas: canvas as never, viewport })
      .promise;
    const picture = context.getImageData(0, 0, canvas.width, canvas.height);
    const codes = await readBarcodes(picture as never, {
      ...{ formats: ['QRCode'], maxNumberOfSymbols: 255, tryHarder: true },
    });
    const toMm = MM_PER_INCH / dpi;
    const here = codes.map(({ text, position: { topLeft, bottomRight } }) => ({
      ...{ page: number, code: text },
      x: ((topLeft.x + bottomRight.x) / 2) * toMm,
      y: ((topLeft.y + bottomRight.y) / 2) * toMm,
    }));
    found.push(...here.sort((a, b) => (Math.abs(a.y - b.y) > 3 ? a.y - b.y : a.x - b.x)));
  }
  return found;
}
