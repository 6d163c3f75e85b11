import QRCode from 'qrcode';

/** Modules of white around a QR code, by ISO/IEC 18004. */
const QUIET_ZONE = 4;

export interface QrCodeStyle {
  /** Where its corner is, and how wide and high it is with the white around it, in points. */
  readonly x: number;
  readonly y: number;
  readonly side: number;
  /** How much of it may be scratched: M some 15 %, Q some 25 %. */
  readonly level: 'M' | 'Q';
}

/** Draws a QR code (ISO/IEC 18004) of modules as large as they can be, runs of dark ones as one rectangle each. */
export function drawQrCode(
  document: PDFKit.PDFDocument,
  words: string,
  { x, y, side, level }: QrCodeStyle,
): void {
  const { modules } = QRCode.create(words, { errorCorrectionLevel: level });
  const step = side / (modules.size + 2 * QUIET_ZONE);
  const origin = QUIET_ZONE * step;
  for (let row = 0; row < modules.size; row++)
    for (let from = 0; from < modules.size;) {
      let to = from;
      while (to < modules.size && modules.get(row, to)) to++;
      if (to > from)
        document.rect(x + origin + from * step, y + origin + row * step, (to - from) * step, step);
      from = Math.max(to, from + 1);
    }
  document.fill('#000000');
}
