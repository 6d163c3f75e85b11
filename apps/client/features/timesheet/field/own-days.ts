import { OwnClock, type ClockSaid } from '@ant-trail/contract/timesheet';
import { addDays } from '@ant-trail/core/calendar';
import { clockDay, isForgotten, type ClockDay, type ClockStep } from '@ant-trail/core/timesheet';
import { ask } from '@/device/api.ts';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { doHere } from '@/features/sync/outbox.ts';

/** So many days are shown on a phone. */
export const DAYS_SHOWN = 15;
const APPROVED = 'approved weeks';

/** Brings what the office has of one's own days; where it can't be reached, the phone's own stands. */
export async function bringOwnClock(store: LocalStore, today: string): Promise<void> {
  const from = addDays(today, -DAYS_SHOWN - 6);
  const { entries, siteTimes, approved } = await ask(
    ...([OwnClock, 'GET', `/api/me/clock?from=${from}`] as const),
  );
  await store.transaction('rw', store.clock, store.siteTimes, store.notes, async () => {
    await store.clock.bulkPut(entries);
    await store.siteTimes.bulkPut(siteTimes);
    await store.notes.put({ key: APPROVED, value: JSON.stringify(approved) });
  });
}

/** Mondays of the weeks that are approved, as far as the office told. */
export async function approvedWeeks(store: LocalStore): Promise<readonly string[]> {
  const kept = await store.note(APPROVED);
  return kept === null ? [] : (JSON.parse(kept) as string[]);
}

export interface OpenDay {
  readonly day: string;
  readonly clock: ClockDay<ClockSaid>;
  /** The day before that nobody said the end of; null where there is none. */
  readonly forgotten: string | null;
}

/** The day that goes on now: today, or the one before as long as its shift lasts. */
export async function openDay(store: LocalStore, today: string, now: Date): Promise<OpenDay> {
  const before = addDays(today, -1);
  const on = async (day: string): Promise<ClockDay<ClockSaid>> =>
    clockDay(await store.clock.where('day').equals(day).toArray());
  const [yesterday, here] = [await on(before), await on(today)];
  const isOpen = yesterday.state !== 'off';
  if (isOpen && !isForgotten(yesterday, now.toISOString()) && here.steps.length === 0)
    return { day: before, clock: yesterday, forgotten: null };
  return { day: today, clock: here, forgotten: isOpen ? before : null };
}

export interface Saying {
  readonly day: string;
  readonly step: ClockStep | null;
  /** When it was; now where left out. */
  readonly at?: string;
  readonly insteadOf?: string;
  readonly reason?: string;
}

/** Says something of one's own day. */
export async function sayOfDay(store: LocalStore, person: string, saying: Saying): Promise<void> {
  const now = officeTime().toISOString();
  await doHere(store, {
    kind: 'clock',
    body: {
      ...{ id: newId(), person, day: saying.day, step: saying.step, at: saying.at ?? now },
      ...{ insteadOf: saying.insteadOf ?? null, reason: saying.reason ?? null },
      ...{ by: person, saidAt: now },
    },
  });
}
