import { takePicture, type TakenPicture } from '@/device/picture.ts';

/** What stands in front while somebody looks for a screen is no part of its picture. */
export const NOT_IN_PICTURE = 'not-in-picture';

/** A picture of the screen as it is; null where this browser can't take one. What takes it comes when first used. */
export async function pictureOfScreen(now: Date): Promise<TakenPicture | null> {
  try {
    const { toBlob } = await import('html-to-image');
    const bytes = await toBlob(document.body, {
      width: innerWidth,
      height: innerHeight,
      pixelRatio: 1,
      filter: (node) =>
        !(
          node instanceof HTMLElement &&
          (node.tagName === 'NOSCRIPT' || node.classList.contains(NOT_IN_PICTURE))
        ),
    });
    return bytes && (await takePicture(bytes, now));
  } catch {
    return null;
  }
}
