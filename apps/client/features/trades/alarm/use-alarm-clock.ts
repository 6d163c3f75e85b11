import { inZone, sayMinute } from '@ant-trail/core/calendar';
import { questionAtPath, type SheetState } from '@ant-trail/core/sheet';
import { ALARM_AT } from '@ant-trail/core/trades/alarm/keys';
import { useState } from 'react';
import { useMe } from '@/features/accounts/session.ts';
import type { KitRowsProps } from '../part.ts';

/** Everything that has to follow comes within two minutes; what was set off longer ago is no clock any more. */
const LONGEST_MS = 10 * 60_000;

export interface AlarmClock {
  /** When the alarm was set off, in ms of the phone’s clock; null where no clock runs. */
  readonly began: number | null;
  /** Gives the words for the person where it could not be kept. */
  readonly begin: () => Promise<string | null>;
  readonly stop: () => void;
}

/**
 * The clock from the alarm on. What starts it is an answer of the sheet: it goes on after a reload, and on a
 * colleague’s phone. A template that does not ask for it has a clock as long as the page is open.
 */
export function useAlarmClock(
  state: SheetState,
  write: KitRowsProps['write'],
  now = Date.now(),
): AlarmClock {
  const { timeZone } = useMe().organisation;
  const [held, setHeld] = useState<number | null>(null);
  const [stopped, setStopped] = useState<string | null>(null);
  const asked = questionAtPath(state, ALARM_AT);
  const entry = asked?.answer?.entry ?? null;
  const kept = entry && entry.id !== stopped ? Date.parse(entry.at) : null;
  return {
    began: kept !== null && Math.abs(now - kept) < LONGEST_MS ? kept : held,
    begin: async () => {
      const at = new Date();
      if (!asked) {
        setHeld(at.getTime());
        return null;
      }
      const { day, minute } = inZone(at, timeZone);
      return write([{ path: ALARM_AT, value: `${day}T${sayMinute(minute)}` }]);
    },
    stop: () => {
      setHeld(null);
      setStopped(entry?.id ?? null);
    },
  };
}
