import type * as Pdf from 'pdfjs-dist';

/** The reader of PDF files is served by ourselves, kept on the phone with the application, and comes when first used. */
const READER = '/pdf/pdf.min.mjs';
const WORKER = '/pdf/pdf.worker.min.mjs';

type Reader = typeof Pdf;

let coming: Promise<Reader> | null = null;

function bringReader(): Promise<Reader> {
  return new Promise((resolve, reject) => {
    const script = document.createElement('script');
    script.type = 'module';
    script.src = READER;
    script.onload = () => {
      const reader = (globalThis as { pdfjsLib?: Reader }).pdfjsLib;
      if (!reader) return reject(new Error('the reader of PDF files did not come'));
      reader.GlobalWorkerOptions.workerSrc = WORKER;
      resolve(reader);
    };
    script.onerror = () => reject(new Error('the reader of PDF files did not come'));
    document.head.append(script);
  });
}

/** The words of a page, as they are read out. */
export async function wordsOf(page: Pdf.PDFPageProxy): Promise<string> {
  const { items } = await page.getTextContent();
  return items.map((item) => ('str' in item ? item.str : '')).join(' ');
}

/** Opens a PDF file. Throws where it can't be read, or needs a password. */
export async function openPdf(bytes: Blob): Promise<Pdf.PDFDocumentProxy> {
  coming ??= bringReader().catch((error: unknown) => {
    // Tried again with the next one that is opened.
    coming = null;
    throw error;
  });
  const reader = await coming;
  const data = new Uint8Array(await bytes.arrayBuffer());
  return reader.getDocument({ data, wasmUrl: '/pdf/', isEvalSupported: false }).promise;
}
