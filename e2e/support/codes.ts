import { toBuffer } from 'bwip-js/node';
import QRCode from 'qrcode';
import sharp from 'sharp';

/** A QR code as a picture. */
export const drawQr = (text: string): Promise<Buffer> =>
  QRCode.toBuffer(text, { margin: 4, width: 480 });

/** A bar code as a picture, on a white ground as labels have. */
export const drawBars = (kind: 'code128' | 'ean13', text: string): Promise<Buffer> =>
  toBuffer({ bcid: kind, text, scale: 4, height: 24, padding: 12, backgroundcolor: 'FFFFFF' });

const [WIDTH, HEIGHT] = [640, 480];

/**
 * A film of one still picture, as the browser's simulated camera plays it: YUV4MPEG2 with 4:2:0
 * samples, first a few empty frames and then the picture, again and again.
 */
export async function filmOf(picture: Buffer): Promise<Buffer> {
  const still = await sharp(picture)
    .resize(WIDTH, HEIGHT, { fit: 'contain', background: '#ffffff' })
    .greyscale()
    .raw()
    .toBuffer();
  const colourless = Buffer.alloc((WIDTH * HEIGHT) / 2, 128);
  const frame = (grey: Buffer): Buffer =>
    Buffer.concat([Buffer.from('FRAME\n'), grey.subarray(0, WIDTH * HEIGHT), colourless]);
  const empty = frame(Buffer.alloc(WIDTH * HEIGHT, 200));
  const seen = frame(still);
  return Buffer.concat([
    Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420jpeg\n`),
    ...Array<Buffer>(5).fill(empty),
    ...Array<Buffer>(10).fill(seen),
  ]);
}
