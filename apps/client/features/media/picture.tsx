import type { PhotoValue } from '@ant-trail/core/log';
import { shapesToSvg, SKETCH_WIDTH } from '@ant-trail/core/sketch';
import { useState } from 'react';
import { Body } from '@/design/text.tsx';

export interface PictureProps {
  readonly src: string;
  readonly alt: string;
  readonly cover?: boolean | undefined;
  /** The photo whose marks are drawn over the picture. */
  readonly marks?: Pick<PhotoValue, 'marks' | 'width' | 'height'> | undefined;
}

const FILLING = { width: '100%', height: '100%', display: 'block' } as const;

/** A picture that fills its place, with what was drawn over it; or the word that it is not here. */
export function Picture({ src, alt, cover, marks }: PictureProps) {
  const [missing, setMissing] = useState(false);
  if (missing)
    return (
      <Body small quiet padding="$2">
        This photo is not here yet.
      </Body>
    );
  return (
    <span style={{ ...FILLING, position: 'relative' }}>
      <img
        src={src}
        alt={alt}
        onError={() => setMissing(true)}
        style={{ ...FILLING, objectFit: cover ? 'cover' : 'contain' }}
      />
      {marks?.marks?.length ? (
        <svg
          aria-hidden
          viewBox={`0 0 ${SKETCH_WIDTH} ${(SKETCH_WIDTH * marks.height) / marks.width}`}
          preserveAspectRatio={cover ? 'xMidYMid slice' : 'xMidYMid meet'}
          style={{ ...FILLING, position: 'absolute', inset: 0, ...OVER_A_PHOTO }}
          dangerouslySetInnerHTML={{
            __html: shapesToSvg(marks.marks, [], MARK_INK, MARK_WIDTH),
          }}
        />
      ) : null}
    </span>
  );
}

/** Marks are the same in every theme, since photos are. */
export const MARK_INK = '#A8401F';
export const MARK_WIDTH = 10;

/** Marks keep a pale edge, so that they stand out from any ground. */
export const OVER_A_PHOTO = {
  filter: 'drop-shadow(0 0 1px #fffcf5) drop-shadow(0 0 1px #fffcf5) drop-shadow(0 0 2px #fffcf5)',
} as const;
