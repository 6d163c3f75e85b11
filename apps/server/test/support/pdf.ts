import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The words on each page of a PDF, as a reader that reads aloud finds them. */
export async function textOf(bytes: ArrayBuffer): Promise<string[]> {
  const document = await getDocument({
    data: new Uint8Array(bytes.slice(0)),
    useSystemFonts: false,
  }).promise;
  const pages: string[] = [];
  for (let n = 1; n <= document.numPages; n++) {
    const { items } = await (await document.getPage(n)).getTextContent();
    pages.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replaceAll(/\s+/g, ' '),
    );
  }
  return pages;
}
