import { Blob as BlobOfNode } from 'node:buffer';
import sharp from 'sharp';
import { readFacts } from '@/device/picture-facts.ts';

// jsdom's own can't be read.
const Blob = BlobOfNode as unknown as typeof globalThis.Blob;
const NOW = new Date('2031-06-01T12:00:00Z');

/** A JPEG as a camera writes it: sharp (libvips) writes the Exif, independently of what reads it. */
async function picture(
  exif: Readonly<Record<string, string>>,
  gps: Readonly<Record<string, string>> = {},
): Promise<Blob> {
  const bytes = await sharp({
    create: { width: 8, height: 6, channels: 3, background: '#886644' },
  })
    .withExif({ IFD2: { ...exif }, IFD3: { ...gps } })
    .jpeg()
    .toBuffer();
  return new Blob([new Uint8Array(bytes)]);
}

const at = async (file: Blob): Promise<string | undefined> =>
  (await readFacts(file, NOW)).takenAt?.toISOString();

test('time and place are read as the camera wrote them, south and west too', async () => {
  const file = await picture(
    { DateTimeOriginal: '2031:04:05 07:45:10', OffsetTimeOriginal: '+02:00' },
    {
      ...{ GPSLatitudeRef: 'N', GPSLatitude: '38/1 37/1 1344/100' },
      ...{ GPSLongitudeRef: 'W', GPSLongitude: '41/1 18/1 648/100' },
    },
  );
  const { takenAt, place } = await readFacts(file, NOW);
  expect(takenAt?.toISOString()).toBe('2031-04-05T05:45:10.000Z');
  // 38° 37' 13.44" N, 41° 18' 6.48" W.
  expect(place?.lat).toBeCloseTo(38.6204, 6);
  expect(place?.lon).toBeCloseTo(-41.3018, 6);
});

test('a time without a zone is the phone’s own', async () => {
  const file = await picture({ DateTimeOriginal: '2031:04:05 07:45:10' });
  expect(await at(file)).toBe(new Date('2031-04-05T07:45:10').toISOString());
});

test.each([
  ['of a clock that was never set', '1980:01:01 00:00:00'],
  ['that is still to come', '2031:06:01 23:59:59'],
  ['that is none', '0000:00:00 00:00:00'],
  ['in other words', 'yesterday'],
])('a time %s is not taken over', async (_what, written) => {
  const file = await picture({ DateTimeOriginal: written, OffsetTimeOriginal: '-11:00' });
  expect(await at(file)).toBeUndefined();
});

test('no place is made of a camera without a fix', async () => {
  const file = await picture(
    {},
    {
      ...{ GPSLatitudeRef: 'N', GPSLatitude: '0/1 0/1 0/1' },
      ...{ GPSLongitudeRef: 'E', GPSLongitude: '0/1 0/1 0/1' },
    },
  );
  expect(await readFacts(file, NOW)).toEqual({});
});

test('what is no picture, or is cut off, says nothing and breaks nothing', async () => {
  const whole = await picture({ DateTimeOriginal: '2031:04:05 07:45:10' });
  const bytes = new Uint8Array(await whole.arrayBuffer());
  for (const file of [
    new Blob([]),
    new Blob(['<html>sign in</html>']),
    ...[1, 20, 60, 120, 180].map((end) => new Blob([bytes.slice(0, end)])),
  ])
    expect(await readFacts(file, NOW)).toEqual({});
  const mutated = Array.from({ length: 200 }, (_, n) => {
    const copy = bytes.slice();
    copy[(n * 37) % copy.length] = (n * 91) % 256;
    return new Blob([copy]);
  });
  for (const file of mutated) {
    const { takenAt } = await readFacts(file, NOW);
    if (takenAt) expect(takenAt.getTime()).toBeLessThanOrEqual(NOW.getTime());
  }
});
