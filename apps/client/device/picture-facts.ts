import type { PhotoValue } from '@ant-trail/core/log';

/** What a picture says of itself: when and where it was taken. */
export interface PictureFacts {
  readonly takenAt?: Date;
  readonly place?: NonNullable<PhotoValue['place']>;
}

/** The head of a picture, where cameras write; the rest need not be read for it. */
const HEAD_BYTES = 256 * 1024;
/** No camera wrote Exif before (version 1.0 is of 1995); a clock that was never set says 1970 or 1980. */
const FIRST_YEAR = 1995;

/**
 * Reads time and place out of a picture's Exif (CIPA DC-008), before it is made smaller: that loses
 * them. A time that says no zone is the phone's own. Nothing where the picture says nothing usable.
 */
export async function readFacts(file: Blob, now: Date): Promise<PictureFacts> {
  try {
    const { load } = await import('exifreader');
    const tags = load(await file.slice(0, HEAD_BYTES).arrayBuffer(), { expanded: true });
    const takenAt = timeOf(
      textOf(tags.exif?.DateTimeOriginal?.value),
      textOf(tags.exif?.['OffsetTimeOriginal']?.value),
    );
    const place = placeOf(tags.gps?.Latitude, tags.gps?.Longitude);
    const isPast = takenAt && takenAt.getFullYear() >= FIRST_YEAR && takenAt <= now;
    return { ...(isPast ? { takenAt } : {}), ...(place ? { place } : {}) };
  } catch {
    // Most formats and many pictures say nothing: it is taken as of now.
    return {};
  }
}

const textOf = (value: unknown): string =>
  Array.isArray(value) && typeof value[0] === 'string' ? value[0] : '';

/** Exif writes "2031:04:05 07:45:00", and in its own tag "+02:00". */
function timeOf(written: string, offset: string): Date | null {
  const [, date, time] = /^(\d{4}:\d\d:\d\d) (\d\d:\d\d:\d\d)/.exec(written) ?? [];
  if (!date || !time) return null;
  const zone = /^[+-]\d\d:\d\d$/.test(offset) ? offset : '';
  const at = new Date(`${date.replaceAll(':', '-')}T${time}${zone}`);
  return Number.isNaN(at.getTime()) ? null : at;
}

function placeOf(lat: number | undefined, lon: number | undefined): PictureFacts['place'] | null {
  if (lat === undefined || lon === undefined || !(Math.abs(lat) <= 90 && Math.abs(lon) <= 180))
    return null;
  // Cameras without a fix write zeros.
  return lat === 0 && lon === 0 ? null : { lat, lon };
}
