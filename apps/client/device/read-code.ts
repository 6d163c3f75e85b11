/** A code that was read, with the kind of code it is. */
export interface ReadCode {
  readonly code: string;
  readonly symbology: string;
}

/** What people call the codes that can be read. */
const SYMBOLOGIES = {
  qr_code: 'QR',
  micro_qr_code: 'Micro QR',
  data_matrix: 'Data Matrix',
  aztec: 'Aztec',
  pdf417: 'PDF417',
  code_128: 'Code 128',
  code_39: 'Code 39',
  code_93: 'Code 93',
  codabar: 'Codabar',
  itf: 'ITF',
  ean_13: 'EAN-13',
  ean_8: 'EAN-8',
  upc_a: 'UPC-A',
  upc_e: 'UPC-E',
} as const;
type Format = keyof typeof SYMBOLOGIES;
const FORMATS = Object.keys(SYMBOLOGIES) as Format[];

const isFormat = (format: string): format is Format => Object.hasOwn(SYMBOLOGIES, format);

async function openReader() {
  const { BarcodeDetector, prepareZXingModule } = await import('barcode-detector/ponyfill');
  // The reader's program is served by ourselves, and kept on the phone with the application.
  prepareZXingModule({ overrides: { locateFile: () => '/codes/zxing_reader.wasm' } });
  return new BarcodeDetector({ formats: FORMATS });
}

let reader: ReturnType<typeof openReader> | null = null;

/**
 * Reads a QR or bar code in a picture or in what the camera sees now; null when there is none to
 * be read. The reader comes when first used.
 */
export async function readCode(source: Blob | HTMLVideoElement): Promise<ReadCode | null> {
  reader ??= openReader();
  try {
    const [found] = await (await reader).detect(source);
    if (!found?.rawValue) return null;
    const { rawValue, format } = found;
    return { code: rawValue, symbology: isFormat(format) ? SYMBOLOGIES[format] : format };
  } catch {
    // A file that is no picture, or a camera that shows nothing yet.
    return null;
  }
}
