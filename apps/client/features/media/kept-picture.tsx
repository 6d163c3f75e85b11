import { useEffect, useState } from 'react';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { Picture, type PictureProps } from './picture.tsx';

export interface KeptPictureProps {
  readonly sha256: string;
  readonly alt: string;
  readonly cover?: boolean;
  readonly marks?: PictureProps['marks'];
}

/** A photo from this phone; one that was taken elsewhere comes from the office. */
export function KeptPicture({ sha256, alt, cover, marks }: KeptPictureProps) {
  const { store } = usePhone();
  const kept = useLive(async () => (await store.photos.get(sha256)) ?? null, [store, sha256]);
  const bytes = kept?.bytes;
  const [local, setLocal] = useState<string>();
  useEffect(() => {
    if (!bytes) return undefined;
    const url = URL.createObjectURL(bytes);
    setLocal(url);
    return () => URL.revokeObjectURL(url);
  }, [bytes]);
  if (kept === undefined || (bytes && !local)) return null;
  return <Picture src={local ?? `/api/media/${sha256}`} alt={alt} cover={cover} marks={marks} />;
}
