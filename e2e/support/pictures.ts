import sharp from 'sharp';

/** A noisy photo of a few hundred kilobytes, so that it travels in several pieces. */
export async function noisyPhoto(): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const buffer = await sharp({
    create: {
      width: 1600,
      height: 1200,
      channels: 3,
      background: '#888',
      noise: { type: 'gaussian', mean: 128, sigma: 60 },
    },
  })
    .jpeg({ quality: 90 })
    .toBuffer();
  return { name: 'brake.jpg', mimeType: 'image/jpeg', buffer };
}
