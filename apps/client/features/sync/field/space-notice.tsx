import { Notice } from '@/design/notice.tsx';
import { useSync } from '../engine.ts';

/** Says early that the phone is filling up, while everything can still be kept. */
export function SpaceNotice() {
  const isLow = useSync((sync) => sync.spaceIsLow);
  return isLow ? (
    <Notice tone="eyes" mark="needs eyes" alert>
      Space on this phone is running low. Send what is kept here, and delete what you do not need
      from the phone.
    </Notice>
  ) : null;
}
