import { answersOf, type SheetState } from '@ant-trail/core/sheet';
import { useMemo } from 'react';
import { useAlarm } from './use-alarm.ts';

/** Places of the devices that are due at this visit; null while it can't be told yet. */
export function useDue(whole: SheetState): ReadonlySet<number> | null {
  const kit = useAlarm();
  return useMemo(() => kit && kit.devicesDue(answersOf(whole)), [kit, whole]);
}
