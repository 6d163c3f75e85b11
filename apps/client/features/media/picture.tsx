import { useState } from 'react';
import { Body } from '@/design/text.tsx';

export interface PictureProps {
  readonly src: string;
  readonly alt: string;
  readonly cover?: boolean | undefined;
}

/** A picture that fills its place, or says that it is not here. */
export function Picture({ src, alt, cover }: PictureProps) {
  const [missing, setMissing] = useState(false);
  if (missing)
    return (
      <Body small quiet padding="$2">
        This photo is not here yet.
      </Body>
    );
  return (
    <img
      src={src}
      alt={alt}
      onError={() => setMissing(true)}
      style={{
        width: '100%',
        height: '100%',
        objectFit: cover ? 'cover' : 'contain',
        display: 'block',
      }}
    />
  );
}
