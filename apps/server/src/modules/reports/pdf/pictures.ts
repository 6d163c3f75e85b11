import sharp from 'sharp';
import { MOST_PIXELS } from '../../media/picture-limits.ts';

/** Longer sides add nothing to a picture a few centimetres wide, and much to the file. */
const LONGEST_SIDE = 1_600;
const PLAIN_PIXELS = 3_000_000;

/**
 * Pictures as a PDF takes them: JPEG, upright, no larger than paper shows, white where they were
 * transparent. One that can't be read is left out: a report with a gap is better than none.
 */
export async function picturesForPaper(
  photos: Readonly<Record<string, Uint8Array>>,
): Promise<Record<string, Uint8Array>> {
  const ready: Record<string, Uint8Array> = {};
  for (const [sha256, bytes] of Object.entries(photos)) {
    const picture = await forPaper(bytes).catch(() => null);
    if (picture) ready[sha256] = picture;
  }
  return ready;
}

async function forPaper(bytes: Uint8Array): Promise<Uint8Array> {
  const limits = { limitInputPixels: MOST_PIXELS } as const;
  const { format, width = 0, height = 0, orientation = 1 } = await sharp(bytes, limits).metadata();
  if (format === 'jpeg' && orientation === 1 && width * height <= PLAIN_PIXELS) return bytes;
  return sharp(bytes, limits)
    .rotate()
    .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 82 })
    .toBuffer();
}
